<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core'
import type { DeviceList, ScaleReading } from '#shared/contracts/devices'
import type { ColdAnimal } from '#core/season'
import { UnitError, formatDistance, formatQuantity, parseAs } from '#core/units'

/** A whole shelf, one animal after another: on the scale, at rest, recorded, next. Or typed. */
const props = defineProps<{ title: string; animals: ColdAnimal[] }>()
const open = defineModel<boolean>('open', { required: true })
const house = useHouse()
const { record, busy } = useRecord()
/** On a phone the keyboard would cover the scale. */
const { narrow } = useNarrow()

/** A scale that shows the same within this share has not been emptied. */
const STILL = 0.002

const scale = ref<{ id: string; name: string; simulated: boolean } | null>(null)
const reading = ref<ScaleReading>({ massG: null, stable: false })
const at = ref(0)
const text = ref('')
const problem = ref('')
const done = ref<{ tag: string; massG: number; lost: number | null }[]>([])
/** The list as it stood when the series began: it must not reorder while one works through it. */
const queue = shallowRef<ColdAnimal[]>([])
const current = computed(() => queue.value[at.value] ?? null)
const shown = computed(() =>
  reading.value.massG === null ? '' : formatQuantity(reading.value.massG, house.settings.massUnit),
)

/** What lies on the scale counts for one animal: an answer that was asked for before the next one is not hers. */
let turn = 0
let loading = false
async function load(animalId: string | null): Promise<void> {
  const mine = ++turn
  reading.value = { massG: null, stable: false }
  // without the scale the weight is typed
  if (!scale.value?.simulated) return
  loading = true
  await callApi(`/api/devices/${scale.value.id}/load`, { method: 'POST', body: { animalId } }).catch(() => undefined)
  if (mine === turn) loading = false
}
/** The weight of the animal before, as long as it has not been seen to leave the scale. */
const before = ref<{ tag: string; massG: number } | null>(null)
const sameLies = ({ massG, stable }: ScaleReading, { massG: was }: { massG: number }) =>
  stable && massG !== null && Math.abs(massG - was) <= STILL * was
const { pause, resume } = useIntervalFn(
  async () => {
    if (!scale.value || busy.value || !current.value || loading) return
    const mine = turn
    const told = await callApi<ScaleReading>(`/api/devices/${scale.value.id}/weight`).catch(() => ({
      massG: null,
      stable: false,
    }))
    if (mine !== turn) return
    if (before.value && !sameLies(told, before.value)) before.value = null
    reading.value = before.value ? { massG: null, stable: false } : told
  },
  300,
  { immediate: false },
)

watch(
  open,
  async is => {
    if (!is) {
      pause()
      void load(null)
      return
    }
    queue.value = [...props.animals].sort((a, b) => (a.tag < b.tag ? -1 : 1))
    at.value = 0
    done.value = []
    before.value = null
    text.value = problem.value = ''
    const list = await callApi<DeviceList>('/api/devices').catch(() => null)
    scale.value = list?.devices.find(d => d.kind === 'scale') ?? null
    await load(current.value?.animalId ?? null)
    resume()
  },
  { immediate: true },
)

function next(): void {
  const { massG, stable } = reading.value
  // a simulated scale is loaded anew; on a real one the last animal lies until somebody takes it off
  if (scale.value && !scale.value.simulated && stable && massG !== null)
    before.value = { tag: current.value!.tag, massG }
  at.value++
  text.value = problem.value = ''
  void load(current.value?.animalId ?? null)
}

async function take(massG: number): Promise<void> {
  const c = current.value!
  const written = await record(
    { kind: 'weighed', subject: { type: 'animal', id: c.animalId }, data: { massG } },
    `${c.tag}: ${formatQuantity(massG, house.settings.massUnit)}`,
  )
  if (!written) return
  done.value = [{ tag: c.tag, massG, lost: c.points[0] ? 1 - massG / c.points[0].massG : null }, ...done.value]
  next()
}
/** What is typed goes before what the scale shows. */
async function send(): Promise<void> {
  if (busy.value || !current.value) return
  problem.value = ''
  try {
    if (text.value.trim()) await take(Number(parseAs('mass', text.value, house.settings.massUnit).toFixed(2)))
    else if (reading.value.stable && reading.value.massG !== null) await take(reading.value.massG)
    else problem.value = scale.value ? 'The scale is not at rest yet' : 'Write the weight'
  } catch (error) {
    if (!(error instanceof UnitError)) throw error
    problem.value = error.message
  }
}
onBeforeUnmount(pause)
</script>

<template>
  <UModal
    v-model:open="open"
    :title="title"
    :description="current ? `${at + 1} of ${queue.length}` : 'done'"
    :ui="{ content: 'max-w-xl' }"
  >
    <template #body>
      <form v-if="current" class="weigh" @submit.prevent="send">
        <p class="who">
          <span class="tag big">{{ current.tag }}</span>
          <span class="quiet"
            >last
            {{
              current.points.length
                ? `${current.points.at(-1)!.massG} g ${formatDistance(current.points.at(-1)!.day, house.today)}`
                : 'never weighed'
            }}</span
          >
        </p>
        <output class="reading" :class="{ stable: reading.stable }" aria-live="polite"
          >{{ shown || (before ? `take ${before.tag} off the scale` : scale ? 'put it on the scale' : 'no scale')
          }}<small>{{ reading.stable ? 'at rest' : scale ? 'settling' : '' }}</small></output
        >
        <UFormField :label="scale ? `${scale.name}, or written by hand` : 'Weight'" :error="problem || undefined">
          <UInput
            v-model="text"
            :autofocus="!narrow"
            inputmode="decimal"
            autocomplete="off"
            size="xl"
            class="w-full"
            :aria-label="`Weight of ${current.tag}`"
            ><template #trailing
              ><span class="quiet">{{ house.settings.massUnit }}</span></template
            ></UInput
          >
        </UFormField>
        <div class="acts">
          <UButton
            type="submit"
            size="xl"
            block
            :label="text.trim() || !reading.stable ? `Record ${current.tag}` : `Record ${current.tag}, ${shown}`"
            :loading="busy"
            :disabled="!text.trim() && !reading.stable"
            data-record
          />
          <UButton size="xl" label="Skip" variant="outline" color="neutral" @click="next" />
        </div>
        <p class="small quiet">
          Look as you weigh: breath, discharge, skin. Tub off the scale, animal back, wash hands.
        </p>
      </form>
      <div v-else class="weigh">
        <p>
          <b>{{ done.length }} weighed.</b> The judgement of each stands on the shelf.
        </p>
        <UButton label="Back to the shelf" size="xl" class="justify-self-start" @click="open = false" />
      </div>
      <ol v-if="done.length" class="done" aria-label="Recorded">
        <li v-for="d in done" :key="d.tag">
          <span class="tag">{{ d.tag }}</span> {{ formatQuantity(d.massG, house.settings.massUnit) }}
          <span v-if="d.lost !== null" class="quiet">{{ (d.lost * 100).toFixed(1) }} % lost</span>
        </li>
      </ol>
    </template>
  </UModal>
</template>

<style scoped>
.weigh {
  display: grid;
  gap: 0.75rem;
}
.big {
  font-size: 1.5rem;
}
.reading {
  font-family: var(--font-mono);
  font-size: 2.25rem;
  color: var(--ui-text-muted);
  display: flex;
  align-items: baseline;
  gap: 0.75rem;
  min-height: 3.25rem;
}
.reading small {
  font-family: var(--font-sans);
  font-size: 0.9375rem;
}
.stable {
  color: var(--ui-text-highlighted);
}
.acts {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 0.5rem;
}
.done {
  margin-top: 0.75rem;
  max-height: 11rem;
  overflow-y: auto;
  border-top: 1px solid var(--ui-border);
}
.done li {
  padding: 0.1875rem 0;
}
</style>
