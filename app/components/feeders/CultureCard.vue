<script setup lang="ts">
import { feederOf } from '#core/almanac'
import { summarise } from '#core/chance'
import { cultureStage, cultureWayHere, producingFrom } from '#core/supply'
import { cultureTempC } from '#core/season/warmth'
import {
  NO_SIGN,
  SHAKES,
  SHAKE_WORDS,
  TROUBLES,
  TROUBLE_WORDS,
  strainOf,
  type CultureState,
  type Shake,
  type Trouble,
} from '#core/subjects'
import { formatDay, formatDistance, formatQuantity, formatRange } from '#core/units'

/** One culture: how it stands, what is expected, and what can be recorded of it. */
const props = defineProps<{ culture: CultureState }>()
const house = useHouse()
const { record, busy } = useRecord()
const feeder = computed(() => feederOf(house.almanac, props.culture.feederId))
const supply = computed(() => cultureWayHere(feeder.value, props.culture, house.house)!)
const tempC = computed(() => cultureTempC(props.culture, house))
const stage = computed(() => cultureStage(props.culture, supply.value, house.today))
const expected = computed(() =>
  stage.value === 'growing' ? summarise(producingFrom(props.culture, supply.value, tempC.value, house.today)) : null,
)
/** What may be seen in it before it yields; nothing where the almanac does not say, or where it was bought. */
const signs = computed(() =>
  stage.value === 'growing' && supply.value.kind === 'batch' && !supply.value.boughtProducing
    ? (supply.value.signs?.seen.map(s => s.name) ?? [])
    : [],
)
/** About how many fall out at a shake, where the almanac says so. */
const shake = computed(() => (supply.value.kind === 'batch' ? supply.value.shake : undefined))
const HOW: Record<Shake, string> = { light: 'lightly', usual: 'as usual', hard: 'hard' }
const shakes = computed(() => {
  const by = shake.value
  return by ? SHAKES.map(value => ({ value, label: `${HOW[value]}: about ${by[value].value}` })) : []
})
function shaken(how: Shake): void {
  const count = shake.value?.[how].value
  if (count) write('harvested', `${SHAKE_WORDS[how].toLowerCase()}, about ${count}`, { count, shake: how })
}
const open = computed(() => (stage.value === 'failed' ? [] : props.culture.troubles.filter(t => !t.over)))
const lastSign = computed(() => (stage.value === 'growing' ? props.culture.signs.at(-1) : undefined))
/** From what it was founded, and its strain. */
const origin = computed(() => {
  const tags = (props.culture.parentIds ?? []).flatMap(id => house.house.cultures[id]?.tag ?? [])
  const strain = strainOf(props.culture, house.house.cultures)
  return [
    tags.length ? ` from ${tags.join(', ')}` : '',
    strain ? `, strain ${strain}` : '',
    props.culture.recipe ? `, made as ${props.culture.recipe}` : '',
  ].join('')
})
const write = (kind: string, says: string, data: Record<string, unknown> = {}, form?: FormErrors) =>
  record({ kind, subject: { type: 'culture', id: props.culture.id }, data }, `${props.culture.tag}: ${says}`, form)
</script>

<template>
  <div :data-culture="culture.tag">
    <div class="card">
      <p>
        <span class="tag">{{ culture.tag }}</span> {{ feeder.name.toLowerCase() }}, {{ stage
        }}<template v-if="culture.producing && stage === 'producing'">
          since {{ formatDay(culture.producing.day, house.today) }}</template
        >; started {{ formatDistance(culture.startDay, house.today) }}{{ origin
        }}<template v-if="tempC !== null">, counted at {{ formatQuantity(tempC, house.settings.tempUnit) }}</template
        ><template v-if="culture.lastHarvest"
          >, harvested {{ formatDistance(culture.lastHarvest.day, house.today) }}</template
        ><template v-if="lastSign"
          >, {{ lastSign.furthest === NO_SIGN ? 'nothing to be seen' : `${lastSign.furthest} seen` }}
          {{ formatDistance(lastSign.day, house.today) }}</template
        >.
        <b v-if="expected">Yields from {{ formatRange(expected) }}.</b>
      </p>
      <div class="buttons">
        <UButton
          v-if="stage === 'growing'"
          label="Producing"
          :disabled="busy"
          @click="write('producing', 'producing')"
        />
        <RecordPick
          v-if="signs.length"
          :name="`Seen in ${culture.tag}`"
          :items="[{ value: NO_SIGN, label: 'nothing yet' }, ...signs.map(name => ({ value: name, label: name }))]"
          placeholder="Seen in it …"
          class="w-44"
          :disabled="busy"
          @update:model-value="
            write('cultureLooked', $event === NO_SIGN ? 'nothing seen yet' : `${$event} seen`, { furthest: $event })
          "
        />
        <UButton
          v-if="stage === 'producing'"
          label="Harvested"
          :disabled="busy"
          @click="write('harvested', 'harvested', { count: 0 })"
        />
        <RecordPick
          v-if="stage === 'producing' && shakes.length"
          :name="`Shaken out of ${culture.tag}`"
          :items="shakes"
          placeholder="Shaken out …"
          class="w-40"
          :disabled="busy"
          @update:model-value="shaken($event as Shake)"
        />
        <RecordAskNumber
          v-if="stage === 'producing'"
          label="Harvested, counted"
          :title="`${culture.tag}: about how many`"
          :busy="busy"
          @record="(count, _, form) => write('harvested', `harvested about ${count}`, { count }, form)"
        />
        <RecordAskNumber
          v-if="stage === 'growing' || stage === 'producing'"
          label="Failed"
          :title="`${culture.tag} is written off`"
          kind="cultureFailed"
          no-number
          :busy="busy"
          @record="(_, why, form) => write('cultureFailed', 'failed', why, form)"
        />
        <RecordPick
          v-if="stage === 'growing' || stage === 'producing'"
          :name="`Found wrong in ${culture.tag}`"
          :items="TROUBLES.map(value => ({ value, label: TROUBLE_WORDS[value] }))"
          placeholder="Found wrong …"
          class="w-40"
          :disabled="busy"
          @update:model-value="write('cultureFound', TROUBLE_WORDS[$event as Trouble], { what: $event })"
        />
        <FeedersCorrectForm :culture="culture" />
        <UButton
          label="Retire"
          variant="outline"
          color="neutral"
          :disabled="busy"
          @click="write('cultureFinished', 'retired')"
        />
      </div>
    </div>
    <FeedersTrouble v-for="trouble in open" :key="trouble.entryId" :culture="culture" :trouble="trouble" />
    <Fold
      v-if="stage === 'producing' && supply.kind === 'colony' && feeder.colony"
      :summary="`${culture.tag} by its stages, and what may be taken`"
    >
      <FeedersColony :culture="culture" />
    </Fold>
  </div>
</template>

<style scoped>
.card {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 1.5rem;
  justify-content: space-between;
  align-items: center;
  padding: 0.375rem 0;
}
.card p {
  flex: 1 1 24rem;
  max-width: 44rem;
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
}
</style>
