<script setup lang="ts">
import { assignPlaces, hasWinter, judgeEligibility, lightHoursAt, programmeOf, shareChecks } from '#core/brumation'
import { summarise } from '#core/chance'
import type { WinterWays } from '#core/subjects'
import { coolingWindow, gravidIn, type WinterGroupView } from '#core/season'
import { inCold } from '#core/subjects'
import { CalendarError, dayFromIso, dayToIso, formatDay, formatQuantity, formatRange, formatWeekday } from '#core/units'

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
  single: {} as Record<string, OwnWays>,
  ways: {} as GroupWays,
})
const form = useTemplateRef<FormErrors>('form')
const FIELDS = ['speciesId', 'cool', 'placeId']
/** Refused may be also who goes, and how, which no field asks for. */
const { still, setErrors, placed, beside } = useRefusals(state, form, name => FIELDS.find(field => field === name))
const validate = () =>
  placed(coolDay.value === null ? [{ name: 'cool', message: 'Write the day of cooling' }] : still())

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
    beside.value = []
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
  const unknown = house.settings.latitude === null ? ' (no latitude is set)' : ''
  const hold = p.lightHours === 0 ? 'dark in the hold' : `${p.lightHours} h in the hold`
  return `Light ${hours(p.coolDay - 1)} before it${unknown}, ${hold}, ${hours(p.warmDay)} when warm.`
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
        house.settings.tempUnit,
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

async function send(): Promise<void> {
  const { cool, chosen, single, speciesId } = state
  const own = props.group ? house.house.winters[props.group.groupId] : undefined
  const placeId = rests.value ? null : (state.placeId ?? null)
  const tag = own?.tag ?? nextWinterTag(house.house.winters)
  const done = own
    ? await record(
        winterChanges(own, { cool, placeId, ways: ways.value, chosen, single }),
        `${tag}: programme changed`,
        { setErrors },
      )
    : await record(
        {
          kind: 'winterPlanned',
          founds: 'winter',
          data: {
            tag,
            speciesId,
            placeId: rests.value ? null : (placeId ?? placing.value?.placed[0]?.placeId ?? null),
            cool,
            ways: ways.value,
            animalIds: chosen,
          },
        },
        `${tag} planned`,
        { setErrors },
      )
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
      <UForm ref="form" :state="state" :validate="validate" class="plan" @submit="send" @error="focusFirstWrong">
        <UFormField v-if="!group" name="speciesId" label="Species"
          ><USelect v-model="state.speciesId" :items="wintering" class="w-full"
        /></UFormField>
        <RecordDayField v-model="cool" name="cool" :label="rests ? 'Rest begins' : 'Cooling begins'" needed />
        <RecordDayField v-model="wished" label="Or by the first young wanted on" hint="counts back" optional />
        <p v-if="window_" class="window" role="status">
          <WorkingLink title="When to begin cooling" :answer="windowText" :reasons="window_.reasons" />
          <UButton label="Take this day" size="sm" variant="outline" @click="state.cool = dayToIso(window_.likely)" />
        </p>
        <p v-else-if="state.wished" class="quiet small">The clocks of this species do not reach to its young.</p>

        <p v-if="programme" class="sum">
          <WorkingLink
            title="Programme"
            :answer="`Last meal ${formatWeekday(programme.lastMealDay)}, ${rests ? 'rest' : 'hold'} at ${formatQuantity(programme.holdC, house.settings.tempUnit)} from ${formatWeekday(programme.holdDay)}, ${rests ? 'ends' : 'wakes'} ${formatWeekday(programme.wakeDay)}, ${rests ? 'meals as usual from' : 'first small meal'} ${formatWeekday(programme.firstMealDay)}`"
            :reasons="programme.reasons"
          />
        </p>
        <BrumationCurve v-if="programme" :programme="programme" :width="330" :height="110" />
        <p v-if="programme" class="small quiet">{{ lightText }}</p>

        <BrumationPlanWays v-if="species" v-model="state.ways" :species="species" />

        <UFormField v-if="!rests" name="placeId" label="Cold place" hint="empty: by the plan below"
          ><USelect v-model="state.placeId" :items="coldPlaces" placeholder="By temperature and room" class="w-full"
        /></UFormField>
        <BrumationPlanWho v-model="state.chosen" :candidates="candidates" />
        <BrumationPlanSingle v-if="group" v-model="state.single" :rests="rests" :programme="programme" />
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
        <p v-if="beside.length" role="alert" class="small">{{ beside.join('. ') }}</p>
        <UButton
          type="submit"
          :label="group ? 'Change programme' : `Plan ${state.chosen.length} animals`"
          :loading="busy"
          :disabled="!programme || (!group && !state.chosen.length)"
          class="justify-self-start"
          size="lg"
        />
      </UForm>
    </template>
  </USlideover>
</template>

<style scoped>
.plan {
  display: grid;
  gap: 0.875rem;
}
.window {
  display: grid;
  gap: 0.5rem;
  justify-items: start;
}
.unplaced {
  color: var(--ui-text-highlighted);
  display: grid;
  gap: 0.25rem;
}
</style>
