<script setup lang="ts">
import { formatReading, guessColumns, readLoggerFile, type LoggerColumns } from '#core/channels'
import type { DeviceView, TookReadings } from '#shared/contracts/devices'

/** Reads the file of a logger into a probe: columns are guessed and can be set, and nothing is taken before it is shown. */
const props = defineProps<{ device: DeviceView; now: string }>()
const emit = defineEmits<{ done: [] }>()
const house = useHouse()
const toast = useToast()
const rows = shallowRef<string[][] | null>(null)
const columns = ref<LoggerColumns | null>(null)
const problem = ref<string | null>(null)
const busy = ref(false)
const NONE = -1
const AT_ONCE = 5000

async function open(event: Event): Promise<void> {
  problem.value = null
  const file = (event.target as HTMLInputElement).files?.[0]
  if (!file) return
  const { default: Papa } = await import('papaparse')
  const { data } = Papa.parse<string[]>(await file.text(), { skipEmptyLines: true })
  rows.value = data
  columns.value = guessColumns(data)
  if (!columns.value) {
    rows.value = null
    problem.value =
      'No column of this file looks like a time. The first line must name the columns, and each other line begin or go on with a date and an hour.'
  }
}
const names = computed(() =>
  (rows.value?.[0] ?? []).map((n, value) => ({ value, label: n.trim() || `Column ${value + 1}` })),
)
const optional = computed(() => [{ value: NONE, label: 'none' }, ...names.value])
const columnOf = (key: 'temperature' | 'humidity') =>
  computed({
    get: () => columns.value?.[key] ?? NONE,
    set: (col: number) => {
      if (columns.value) columns.value = { ...columns.value, [key]: col === NONE ? null : col }
    },
  })
const temperature = columnOf('temperature')
const humidity = columnOf('humidity')
const read = computed(() =>
  rows.value && columns.value
    ? readLoggerFile(rows.value, columns.value, house.settings.timeZone, Date.parse(props.now))
    : null,
)
const shownAt = computed(() => {
  const format = new Intl.DateTimeFormat('en-GB', {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
    timeZone: house.settings.timeZone,
  })
  return (at: string) => format.format(new Date(at))
})
const said = (r: { tempC?: number; humidityPct?: number }) =>
  [
    ...(r.tempC === undefined ? [] : [formatReading('temperature', r.tempC, house.settings.tempUnit)]),
    ...(r.humidityPct === undefined ? [] : [formatReading('humidity', r.humidityPct, house.settings.tempUnit)]),
  ].join(', ')
const ends = computed(() => {
  const list = read.value?.readings ?? []
  return list.length > 1 ? [list[0]!, list.at(-1)!] : list
})

async function take(): Promise<void> {
  const readings = read.value?.readings ?? []
  busy.value = true
  problem.value = null
  try {
    const took = { taken: 0, known: 0 }
    // sent again after a break, what was taken is known
    for (let i = 0; i < readings.length; i += AT_ONCE) {
      const part = await callApi<TookReadings>(`/api/devices/${props.device.id}/file`, {
        method: 'POST',
        body: { readings: readings.slice(i, i + AT_ONCE) },
      })
      took.taken += part.taken
      took.known += part.known
    }
    toast.add({
      title: `${props.device.name}: ${took.taken} readings taken${took.known ? `, ${took.known} known already` : ''}`,
      color: 'neutral',
      icon: 'i-lucide-check',
    })
    emit('done')
  } catch (error) {
    if (!(error instanceof ApiProblem)) throw error
    problem.value = error.problem.errors?.[0]?.message ?? error.message
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <form class="file" @submit.prevent="take">
    <UFormField label="File of the logger" hint="CSV" :error="problem ?? undefined"
      ><input type="file" accept=".csv,.txt,text/csv,text/plain" aria-label="File of the logger" @change="open"
    /></UFormField>
    <template v-if="rows && columns && read">
      <div class="line">
        <UFormField label="Time"
          ><USelect v-model="columns.at" :items="names" value-key="value" class="w-40"
        /></UFormField>
        <UFormField label="Temperature"
          ><USelect v-model="temperature" :items="optional" value-key="value" class="w-40"
        /></UFormField>
        <UFormField v-if="temperature !== NONE" label="in"
          ><USelect v-model="columns.tempUnit" :items="['°C', '°F']" class="w-20"
        /></UFormField>
        <UFormField label="Humidity"
          ><USelect v-model="humidity" :items="optional" value-key="value" class="w-40"
        /></UFormField>
        <UCheckbox v-model="columns.dayFirst" label="Days before months" />
      </div>
      <p v-if="ends.length">
        First {{ shownAt(ends[0]!.at) }}: {{ said(ends[0]!) }}. Last {{ shownAt(ends.at(-1)!.at) }}:
        {{ said(ends.at(-1)!) }}.<span v-if="read.gaps" class="quiet"> {{ read.gaps }} lines without a value.</span>
      </p>
      <div v-if="read.problems.length" class="wrong">
        <p>
          <b
            >{{ read.problems.length }} {{ read.problems.length === 1 ? 'line' : 'lines' }} cannot be read, so nothing
            is taken:</b
          >
        </p>
        <ul>
          <li v-for="p in read.problems.slice(0, 5)" :key="p.line">Line {{ p.line }}: {{ p.why }}</li>
        </ul>
      </div>
      <UButton
        type="submit"
        :label="`Take ${read.readings.length} readings`"
        variant="outline"
        color="neutral"
        class="justify-self-start"
        :disabled="busy || !read.readings.length || read.problems.length > 0"
        :loading="busy"
      />
    </template>
  </form>
</template>

<style scoped>
.file {
  display: grid;
  gap: 0.5rem;
  padding: 0.375rem 0;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 0.75rem;
  align-items: end;
}
.wrong {
  color: var(--harm);
}
</style>
