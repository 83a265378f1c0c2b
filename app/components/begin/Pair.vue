<script setup lang="ts">
import { v7 } from 'uuid'
import type { Wish } from '~/composables/useRecord'

/** A pair that is together, a lock that was seen, or eggs that lie in the incubator now. */
const emit = defineEmits<{ done: [ids: string[]] }>()
const house = useHouse()
const { record, busy } = useRecord()
const state = reactive({
  damId: undefined as string | undefined,
  sireId: undefined as string | undefined,
  now: 'paired',
  day: house.today,
  eggs: 6,
})
const { problem, refusal } = useRefusalText()

const alive = computed(() => Object.values(house.house.animals).filter(a => a.status === 'alive'))
const label = (a: (typeof alive.value)[number]) => ({
  value: a.id,
  label: `${a.tag}, ${house.speciesName(a.speciesId)}`,
})
const dams = computed(() => alive.value.filter(a => a.sex !== 'male').map(label))
const dam = computed(() => (state.damId ? house.house.animals[state.damId] : undefined))
const sires = computed(() =>
  alive.value
    .filter(
      a =>
        a.sex !== 'female' &&
        a.id !== state.damId &&
        (!dam.value || house.isOneSpecies(a.speciesId, dam.value.speciesId)),
    )
    .map(label),
)
const species = computed(() => (dam.value ? house.almanac.species[dam.value.speciesId] : undefined))
const live = computed(() => species.value?.mode === 'live')
const NOW = computed(() => [
  { value: 'paired', label: 'They are paired' },
  { value: 'lock', label: 'A lock was seen' },
  ...(live.value ? [] : [{ value: 'laid', label: 'Her eggs lie now' }]),
])
const incubator = computed(() => Object.values(house.house.places).find(p => p.kind === 'incubator'))
// a pair where there is only one of each
watchEffect(() => {
  if (!state.damId && dams.value.length) state.damId = dams.value[0]!.value
  if (!state.sireId && sires.value.length) state.sireId = sires.value[0]!.value
})

/** Made once for the pair that is meant, so that sending it again does not do it twice. */
let id = v7()
async function send(): Promise<void> {
  problem.value = ''
  if (!state.damId) return
  const day = state.day ?? house.today
  const subject = { type: 'pairing', id }
  const wishes: Wish[] = [
    {
      id,
      founds: 'pairing',
      kind: 'paired',
      day,
      data: { tag: nextPairTag(house.house), damId: state.damId, sireId: state.sireId ?? null },
    },
  ]
  if (state.now === 'lock') wishes.push({ subject, kind: 'copulation', day, data: { confirmed: true } })
  if (state.now === 'laid')
    wishes.push({
      subject,
      kind: 'laid',
      day,
      data: {
        tag: nextClutchTag(house.house, species.value?.mode === 'larval' ? 'S' : 'C'),
        eggs: state.eggs,
        slugs: 0,
        placeId: incubator.value?.id ?? null,
        ...(incubator.value ? {} : { tempC: species.value?.incubation?.usualTempC.value ?? null }),
      },
    })
  const written = await record(
    wishes,
    state.now === 'laid' ? 'The clutch is written' : 'The pair is set',
    refusal,
    true,
  )
  if (!written) return
  id = v7()
  emit('done', written)
}
</script>

<template>
  <form class="grid gap-3" @submit.prevent="send">
    <p v-if="!dams.length" class="quiet">
      There is no female yet, and none of unknown sex: add one in the step before.
    </p>
    <template v-else>
      <div class="sentence">
        <RecordPick v-model="state.damId" :items="dams" name="Female" placeholder="choose" class="w-64" />
        <span>with</span>
        <RecordPick v-model="state.sireId" :items="sires" name="Male" placeholder="Male, if known" class="w-64" />
      </div>
      <URadioGroup v-model="state.now" :items="NOW" orientation="horizontal" legend="What is so now" />
      <div class="sentence">
        <span>{{ state.now === 'laid' ? 'Laid' : state.now === 'lock' ? 'Seen' : 'Since' }}</span>
        <LazyRecordDayInput v-model="state.day" label="Day" :max="house.today" />
        <template v-if="state.now === 'laid'"
          ><span>,</span><UInputNumber v-model="state.eggs" :min="1" :max="3000" aria-label="Eggs" class="w-28" /><span
            >eggs{{ incubator ? `, in ${incubator.name}` : '' }}</span
          ></template
        >
      </div>
      <p v-if="species?.cautions.length" class="quiet small">{{ species.cautions[0] }}</p>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <UButton
        type="submit"
        :label="state.now === 'laid' ? 'Write the clutch' : 'Set the pair'"
        :loading="busy"
        class="justify-self-start"
      />
    </template>
  </form>
</template>
