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

async function load(animalId: string | null): Promise<void> {
  reading.value = { massG: null, stable: false }
  // without the scale the weight is typed
  if (scale.value?.simulated)
    await callApi(`/api/devices/${scale.value.id}/load`, { method: 'POST', body: { animalId } }).catch(() => undefined)
}
const { pause, resume } = useIntervalFn(
  async () => {
    if (!scale.value || busy.value || !current.value) return
    reading.value = await callApi<ScaleReading>(`/api/devices/${scale.value.id}/weight`).catch(() => ({
      massG: null,
      stable: false,
    }))
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
    text.value = problem.value = ''
    const list = await callApi<DeviceList>('/api/devices').catch(() => null)
    scale.value = list?.devices.find(d => d.kind === 'scale') ?? null
    await load(current.value?.animalId ?? null)
    resume()
  },
  { immediate: true },
)

function next(): void {
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
          >{{ shown || (scale ? 'put it on the scale' : 'no scale')
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
