<script setup lang="ts">
import { assignPlaces, hasWinter, judgeEligibility, lightHoursAt, programmeOf, shareChecks } from '#core/brumation'
import { summarise } from '#core/chance'
import type { WinterWays } from '#core/subjects'
import { coolingWindow, gravidIn, type WinterGroupView } from '#core/season'
import { inCold } from '#core/subjects'
import { CalendarError, dayFromIso, dayToIso, formatDay, formatRange, formatWeekday } from '#core/units'

/** Plans a winter for some animals of a species, or changes one that is planned. */
const props = defineProps<{ group: WinterGroupView | null }>()
const open = defineModel<boolean>('open', { required: true })
const house = useHouse()
const { record, busy } = useRecord()

const context = computed(() => ({ almanac: house.almanac, schools: house.settings.schools }))
const state = reactive({
  speciesId: '',
  cool: '',
  wished: '',
  placeId: undefined as string | undefined,
  chosen: [] as string[],
  /** Own ways of single animals. */ single: {} as Record<string, { holdDays?: number; pairAfterCold?: string }>,
  ways: {} as {
    gutClearDays?: number
    stepDownDays?: number
    holdC?: number
    holdDays?: number
    lightHours?: number
    warmUp?: string
    pairAfterCold?: string
  },
})
const problem = ref('')

const wintering = computed(() =>
  [
    ...new Set(
      Object.values(house.house.animals)
        .filter(a => a.status === 'alive')
        .map(a => house.rootOf(a.speciesId)),
    ),
  ]
    .filter(id => hasWinter(house.almanac.species[id]!))
    .map(id => ({ value: id, label: house.speciesName(id) }))
    .sort((a, b) => (a.label < b.label ? -1 : 1)),
)
const species = computed(() => house.almanac.species[state.speciesId])
const rests = computed(() => species.value?.winter === 'dormancy')
const coolDay = computed(() => day(state.cool))
const isoDay = (key: 'cool' | 'wished') =>
  computed({
    get: () => day(state[key]),
    set: (d: number | null) => {
      state[key] = d === null ? '' : dayToIso(d)
    },
  })
const cool = isoDay('cool')
const wished = isoDay('wished')

function day(text: string): number | null {
  try {
    return dayFromIso(text)
  } catch (error) {
    if (error instanceof CalendarError) return null
    throw error
  }
}

watch(
  open,
  is => {
    if (!is) return
    problem.value = ''
    const g = props.group
    const own = g ? house.house.winters[g.groupId] : undefined
    Object.assign(state, {
      speciesId: g?.speciesId ?? wintering.value[0]?.value ?? '',
      cool: dayToIso(own?.coolDay ?? house.today + 14),
      wished: '',
      placeId: own?.placeId ?? undefined,
      chosen: own ? Object.keys(own.members) : [],
      single: Object.fromEntries(
        Object.entries(own?.members ?? {}).map(([id, w]) => [
          id,
          { holdDays: w.holdDays ?? undefined, pairAfterCold: w.pairAfterCold ?? undefined },
        ]),
      ),
      ways: Object.fromEntries(Object.entries(own?.ways ?? {}).filter(([, v]) => v !== null)),
    })
  },
  { immediate: true },
)

/** Animals that may be put in: with what speaks for or against each. */
const candidates = computed(() => {
  const s = species.value
  if (!s || !house.season) return []
  const gravid = gravidIn(house.season.lanes, {
    house: house.house,
    almanac: house.almanac,
    settings: house.settings,
    today: house.today,
  })
  const elsewhere = new Set(
    Object.values(house.house.winters)
      .filter(w => !w.ended && w.id !== props.group?.groupId)
      .flatMap(w => Object.keys(w.members)),
  )
  return Object.values(house.house.animals)
    .filter(
      a =>
        a.status === 'alive' &&
        house.isOneSpecies(a.speciesId, s.id) &&
        !elsewhere.has(a.id) &&
        (!inCold(a) || state.chosen.includes(a.id)),
    )
    .map(a => ({
      animal: a,
      cold: inCold(a),
      judged: judgeEligibility(s, a, gravid.has(a.id), coolDay.value ?? house.today, house.today, context.value),
    }))
    .sort((a, b) => (a.animal.tag < b.animal.tag ? -1 : 1))
})
/** For a new plan those that are fit are chosen to begin with. */
watch(
  [open, () => state.speciesId],
  () => {
    if (!props.group && open.value)
      state.chosen = candidates.value
        .filter(c => ['cool', 'shorten'].includes(c.judged.value.fitness))
        .map(c => c.animal.id)
  },
  { flush: 'post' },
)

const ways = computed<WinterWays>(() =>
  Object.fromEntries(Object.entries(state.ways).filter(([, v]) => v !== undefined && v !== null && v !== '')),
)
const programme = computed(() =>
  species.value && hasWinter(species.value) && coolDay.value !== null
    ? programmeOf(species.value, context.value, coolDay.value, ways.value, props.group?.tag ?? 'this plan')
    : null,
)
const window_ = computed(() => {
  const wished = day(state.wished)
  return species.value && wished !== null ? coolingWindow(species.value, wished, context.value, ways.value) : null
})
/** Hours of light: outside before it, in the hold, and when warm again. */
const lightText = computed(() => {
  if (!programme.value) return ''
  const p = programme.value
  const hours = (d: number) => `${lightHoursAt(p, d, house.settings.latitude).toFixed(1)} h`
  return `Light ${hours(p.coolDay - 1)} before it${house.settings.latitude === null ? ' (no latitude is set)' : ''}, ${p.lightHours === 0 ? 'dark in the hold' : `${p.lightHours} h in the hold`}, ${hours(p.warmDay)} when warm.`
})
const windowText = computed(() =>
  window_.value
    ? `Cool from ${formatWeekday(window_.value.likely)}; ${formatDay(window_.value.early)} to be sure, ${formatDay(window_.value.late)} at the latest. First young then ${formatRange(summarise(window_.value.hatch)!)}.`
    : '',
)
const placing = computed(() =>
  rests.value
    ? null
    : assignPlaces(
        house.house,
        state.chosen.filter(id => !inCold(house.house.animals[id]!)),
        context.value,
      ),
)
const tagOf = (id: string) => house.house.animals[id]?.tag ?? ''
/** Pairs in one tub of the plan, with why that is allowed. */
const shared = computed(() =>
  (placing.value?.placed ?? [])
    .filter(p => p.animalIds.length > 1)
    .map(p => {
      const [a, b] = p.animalIds.map(id => house.house.animals[id]!)
      return {
        tags: `${a!.tag} with ${b!.tag}`,
        checks: shareChecks({ animal: a!, species: species.value! }, { animal: b!, species: species.value! })
          .map(c => c.rule)
          .join('; '),
      }
    }),
)
const coldPlaces = computed(() =>
  Object.values(house.house.places)
    .filter(p => p.kind === 'cold')
    .map(p => ({ value: p.id, label: house.placeName(p.id) })),
)
const WARM = [
  { value: 'atOnce', label: 'At once' },
  { value: 'steps', label: 'In steps' },
  { value: 'gradual', label: 'Gradually' },
]
const PAIR = computed(() => house.almanac.schools.pairAfterCold!.choices.map(c => ({ value: c.id, label: c.name })))
const fitWords = { cool: 'fit', shorten: 'shortly', notYet: 'not yet', keepUp: 'keep up' } as const

async function send(): Promise<void> {
  if (coolDay.value === null) {
    problem.value = 'Write the day of cooling'
    return
  }
  const own = props.group ? house.house.winters[props.group.groupId] : undefined
  let done: string[] | null
  if (own) {
    const subject = { type: 'winter' as const, id: own.id }
    const unset = Object.fromEntries(
      Object.keys(own.ways)
        .filter(k => !(k in ways.value))
        .map(k => [k, null]),
    )
    done = await record(
      [
        {
          kind: 'winterChanged',
          subject,
          data: {
            cool: state.cool,
            placeId: rests.value ? null : (state.placeId ?? null),
            ways: { ...unset, ...ways.value },
          },
        },
        ...state.chosen
          .filter(id => !own.members[id])
          .map(animalId => ({ kind: 'winterMember', subject, data: { animalId } })),
        ...Object.entries(state.single)
          .filter(
            ([id, w]) =>
              own.members[id] &&
              state.chosen.includes(id) &&
              ((w.holdDays ?? null) !== (own.members[id]!.holdDays ?? null) ||
                (w.pairAfterCold ?? null) !== (own.members[id]!.pairAfterCold ?? null)),
          )
          .map(([animalId, w]) => ({
            kind: 'winterMember',
            subject,
            data: { animalId, ways: { holdDays: w.holdDays ?? null, pairAfterCold: w.pairAfterCold ?? null } },
          })),
        ...Object.keys(own.members)
          .filter(id => !state.chosen.includes(id))
          .map(animalId => ({ kind: 'winterMemberLeft', subject, data: { animalId } })),
      ],
      `${own.tag}: programme changed`,
    )
  } else {
    const highest = Math.max(
      0,
      ...Object.values(house.house.winters).map(w => Number(/^W-(\d+)$/.exec(w.tag)?.[1] ?? 0)),
    )
    done = await record(
      {
        kind: 'winterPlanned',
        founds: 'winter',
        data: {
          tag: `W-${highest + 1}`,
          speciesId: state.speciesId,
          placeId: rests.value ? null : (state.placeId ?? placing.value?.placed[0]?.placeId ?? null),
          cool: state.cool,
          ways: ways.value,
          animalIds: state.chosen,
        },
      },
      `W-${highest + 1} planned`,
    )
  }
  if (done) open.value = false
}
</script>

<template>
  <USlideover
    v-model:open="open"
    :title="group ? `Change ${group.tag}` : 'Plan a winter'"
    description="Who goes, when, how cold and how long"
  >
    <template #body>
      <form class="plan" @submit.prevent="send">
        <UFormField v-if="!group" label="Species"
          ><USelect v-model="state.speciesId" :items="wintering" class="w-full"
        /></UFormField>
        <RecordDayField
          v-model="cool"
          :label="rests ? 'Rest begins' : 'Cooling begins'"
          :error="problem || undefined"
        />
        <RecordDayField v-model="wished" label="Or by the first young wanted on" hint="counts back" optional />
        <p v-if="window_" class="window" role="status">
          <WorkingLink title="When to begin cooling" :answer="windowText" :reasons="window_.reasons" />
          <UButton label="Take this day" size="sm" variant="outline" @click="state.cool = dayToIso(window_.likely)" />
        </p>
        <p v-else-if="state.wished" class="quiet small">The clocks of this species do not reach to its young.</p>

        <p v-if="programme" class="sum">
          <WorkingLink
            title="Programme"
            :answer="`Last meal ${formatWeekday(programme.lastMealDay)}, ${rests ? 'rest' : 'hold'} at ${programme.holdC} °C from ${formatWeekday(programme.holdDay)}, ${rests ? 'ends' : 'wakes'} ${formatWeekday(programme.wakeDay)}, ${rests ? 'meals as usual from' : 'first small meal'} ${formatWeekday(programme.firstMealDay)}`"
            :reasons="programme.reasons"
          />
        </p>
        <BrumationCurve v-if="programme" :programme="programme" :width="330" :height="110" />
        <p v-if="programme" class="small quiet">{{ lightText }}</p>

        <details>
          <summary>Own ways of this group</summary>
          <div class="ways">
            <UFormField label="Fast, days"
              ><UInputNumber
                v-model="state.ways.gutClearDays"
                :min="0"
                :max="60"
                :placeholder="String(species?.cold?.gutClearDays.likely ?? '')"
                class="w-full"
            /></UFormField>
            <UFormField label="Cool down over, days"
              ><UInputNumber
                v-model="state.ways.stepDownDays"
                :min="0"
                :max="60"
                :placeholder="String(species?.cold?.stepDownDays.value ?? '')"
                class="w-full"
            /></UFormField>
            <UFormField label="Hold, °C"
              ><UInputNumber
                v-model="state.ways.holdC"
                :min="2"
                :max="30"
                :step="0.5"
                :placeholder="String(species?.cold?.holdC.value ?? '')"
                class="w-full"
            /></UFormField>
            <UFormField label="Length, days"
              ><UInputNumber
                v-model="state.ways.holdDays"
                :min="0"
                :max="250"
                :placeholder="String(Math.round((species?.cold?.weeks.likely ?? 0) * 7))"
                class="w-full"
            /></UFormField>
            <UFormField label="Light in the hold, h"
              ><UInputNumber
                v-model="state.ways.lightHours"
                :min="0"
                :max="24"
                :step="0.5"
                :placeholder="String(species?.cold?.lightHours.value ?? '')"
                class="w-full"
            /></UFormField>
            <UFormField v-if="!rests" label="Warm up"
              ><USelect v-model="state.ways.warmUp" :items="WARM" placeholder="as the house does" class="w-full"
            /></UFormField>
            <UFormField v-if="!rests" label="Pair after it"
              ><USelect v-model="state.ways.pairAfterCold" :items="PAIR" placeholder="as the house does" class="w-full"
            /></UFormField>
          </div>
          <UButton
            label="Back to the species’ usual"
            size="sm"
            variant="ghost"
            color="neutral"
            @click="state.ways = {}"
          />
        </details>

        <UFormField v-if="!rests" label="Cold place" hint="empty: by the plan below"
          ><USelect v-model="state.placeId" :items="coldPlaces" placeholder="By temperature and room" class="w-full"
        /></UFormField>
        <fieldset>
          <legend>Who goes</legend>
          <p v-if="!candidates.length" class="quiet small">No animal of this species is free.</p>
          <label v-for="c in candidates" :key="c.animal.id" :class="c.judged.value.fitness">
            <input v-model="state.chosen" type="checkbox" :value="c.animal.id" :disabled="c.cold" />
            <span
              ><span class="tag">{{ c.animal.tag }}</span>
              <WorkingLink
                v-if="!c.cold"
                :title="`${c.animal.tag}: may it be cooled?`"
                :answer="`${fitWords[c.judged.value.fitness]}: ${c.judged.value.text}`"
                :reasons="c.judged.reasons"
                ><b>{{ fitWords[c.judged.value.fitness] }}</b
                >: {{ c.judged.value.text }}</WorkingLink
              ><span v-else class="quiet">in the cold already</span></span
            >
          </label>
        </fieldset>
        <details v-if="group">
          <summary>Own ways of single animals</summary>
          <div v-for="(own, id) in state.single" :key="id" class="single">
            <span class="tag">{{ tagOf(String(id)) }}</span>
            <UInputNumber
              v-model="own.holdDays"
              :min="0"
              :max="250"
              :placeholder="programme ? `${programme.wakeDay - programme.coolDay} days` : 'days'"
              :aria-label="`${tagOf(String(id))}: length in days`"
              class="w-32"
            />
            <USelect
              v-if="!rests"
              v-model="own.pairAfterCold"
              :items="PAIR"
              placeholder="pair as the group"
              :aria-label="`${tagOf(String(id))}: pair after it`"
              class="w-44"
            />
            <UButton
              label="As the group"
              size="xs"
              variant="ghost"
              color="neutral"
              :aria-label="`${tagOf(String(id))}: as the group`"
              @click="state.single[String(id)] = {}"
            />
          </div>
        </details>
        <p v-for="s in shared" :key="s.tags" class="small">
          <b>{{ s.tags }}</b> share a tub: {{ s.checks }}. Apart the day they warm.
        </p>
        <ul v-if="placing?.unplaced.length" class="unplaced" role="status">
          <li v-for="u in placing.unplaced" :key="u.animalId">
            <span class="tag">{{ tagOf(u.animalId) }}</span> does not fit. {{ u.why }}
          </li>
        </ul>
        <p v-else-if="placing?.placed.length" class="small quiet">
          All fit: {{ [...new Set(placing.placed.map(p => house.placeName(p.placeId)))].join(', ') }}.
        </p>
        <UButton
          type="submit"
          :label="group ? 'Change programme' : `Plan ${state.chosen.length} animals`"
          :loading="busy"
          :disabled="!programme || (!group && !state.chosen.length)"
          class="justify-self-start"
          size="lg"
        />
      </form>
    </template>
  </USlideover>
</template>

<style scoped>
.plan {
  display: grid;
  gap: 0.875rem;
}
.ways {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.75rem;
  padding: 0.5rem 0;
}
.single {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  align-items: center;
  padding: 0.25rem 0;
  border-bottom: 1px solid var(--ui-border);
}
.window {
  display: grid;
  gap: 0.5rem;
  justify-items: start;
}
summary {
  cursor: pointer;
  min-height: 2.75rem;
  display: flex;
  align-items: center;
  text-decoration: underline;
}
legend {
  font-weight: 600;
}
label {
  display: flex;
  gap: 0.625rem;
  align-items: center;
  min-height: 2.5rem;
  border-bottom: 1px solid var(--ui-border);
}
input[type='checkbox'] {
  accent-color: var(--ui-primary);
  width: 1.25rem;
  height: 1.25rem;
  flex: none;
}
.unplaced {
  color: var(--ui-text-highlighted);
  display: grid;
  gap: 0.25rem;
}
</style>
