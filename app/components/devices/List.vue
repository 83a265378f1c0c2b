<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core'
import { CHANNELS, ZONES, ZONE_IDS, formatDifference, formatReading, type Zone } from '#core/channels'
import type { DeviceKind, DeviceList, DeviceView, Fault } from '#shared/contracts/devices'
import { calendarOf, formatDay, formatQuantity } from '#core/units'

const house = useHouse()
const toast = useToast()
const list = shallowRef<DeviceList | null>(null)
const open = ref(false)
const add = () => {
  open.value = true
}
const busy = ref(false)
/** A removed device cannot be taken back, so it is asked for twice. */
const removing = ref<string | null>(null)
const problems = useProblems()
const made = ref<{ id: string; name: string; token: string; kind: DeviceKind } | null>(null)
const state = reactive({
  name: '',
  kind: 'probe' as DeviceKind,
  placeId: undefined as string | undefined,
  zone: 'air' as Zone,
})
const zones = ZONE_IDS.map(value => ({ value, label: ZONES[value] }))

const load = async () => {
  list.value = await callApi<DeviceList>('/api/devices')
}
// while the house does not answer the list stays as it was
const look = () => load().catch(() => undefined)
onMounted(look)
useIntervalFn(look, 30_000)

const places = usePlaceItems()
const SILENT_HOURS = computed(() => house.almanac.common.coldSilent!.value)
const FAULT_WORDS: Record<Fault, string> = {
  power: 'No power',
  relay: 'Heater stuck on',
  compressor: 'Compressor fails',
  thermostat: 'Thermostat reads low',
  lamp: 'Lamp fails',
  mister: 'Mister fails',
  battery: 'Battery is dead',
  door: 'Lid stays open',
}
const clock = computed(() => {
  if (!list.value) return ''
  const time = new Intl.DateTimeFormat('en-GB', {
    hour: '2-digit',
    minute: '2-digit',
    timeZone: house.settings.timeZone,
  }).format(new Date(list.value.now))
  return `${formatDay(calendarOf(house.settings.timeZone)(list.value.now), house.today)}, ${time}`
})
const shown = ({ channel, value }: DeviceView['latest'][number]) =>
  channel === 'mass'
    ? formatQuantity(value, house.settings.massUnit)
    : formatReading(channel, value, house.settings.tempUnit)
function latest(d: DeviceView): string {
  const newest = d.latest.map(l => Date.parse(l.at)).sort((a, b) => b - a)[0]
  if (newest === undefined || !list.value) return 'nothing yet'
  const minutes = Math.round((Date.parse(list.value.now) - newest) / 60_000)
  const ago = minutes < 2 ? 'now' : minutes < 120 ? `${minutes} min ago` : `${Math.round(minutes / 60)} h ago`
  return `${d.latest.map(shown).join(', ')}, ${ago}`
}
const checking = ref<string | null>(null)
const filing = ref<string | null>(null)
function checked(): void {
  checking.value = filing.value = null
  void Promise.all([load(), house.load()])
}
const dayOf = computed(() => calendarOf(house.settings.timeZone))
const checkSaid = ({ channel, at, offset }: DeviceView['calibrated'][number]) =>
  `${CHANNELS[channel].label.toLowerCase()} checked ${formatDay(dayOf.value(at), house.today)}, ${Math.abs(offset) < 0.05 ? 'true' : `${offset > 0 ? '+' : '−'}${formatDifference(channel, Math.abs(offset), house.settings.tempUnit)}`}`
const answer = computed(() => {
  const devices = list.value?.devices ?? []
  if (!devices.length) return 'None yet. A probe tells what a cold place does; a scale makes a shelf of weights quick.'
  const quiet = devices.filter(
    d =>
      d.kind === 'probe' &&
      d.latest.every(l => Date.parse(list.value!.now) - Date.parse(l.at) > SILENT_HOURS.value * 3_600_000),
  )
  return quiet.length
    ? `${quiet.map(d => d.name).join(', ')} ${quiet.length === 1 ? 'is' : 'are'} silent: look at the battery.`
    : `All ${devices.filter(d => d.kind === 'probe').length} probes are heard.`
})

async function act(call: () => Promise<unknown>, says: string): Promise<void> {
  busy.value = true
  try {
    await call()
    await Promise.all([load(), house.load()])
    toast.add({ title: says, color: 'neutral', icon: 'i-lucide-check' })
  } catch (error) {
    toast.add({
      title: 'Not done',
      description: error instanceof Error ? error.message : String(error),
      color: 'error',
    })
  } finally {
    busy.value = false
  }
}
const setFault = (d: DeviceView, fault: Fault, on: boolean) =>
  act(
    () => callApi(`/api/devices/${d.id}/faults`, { method: 'POST', body: { fault, on } }),
    `${d.name}: ${on ? FAULT_WORDS[fault].toLowerCase() : 'mended'}`,
  )
const pass = (hours: number) =>
  act(() => callApi('/api/time', { method: 'POST', body: { hours } }), `${hours} hours passed`)
const remove = (d: DeviceView) =>
  act(() => callApi(`/api/devices/${d.id}`, { method: 'DELETE' }), `${d.name} removed; what it read stays`)

async function send(): Promise<void> {
  problems.value = {}
  try {
    made.value = {
      ...(await callApi<{ id: string; name: string; token: string }>('/api/devices', {
        method: 'POST',
        body: { name: state.name, kind: state.kind, placeId: state.placeId ?? null, zone: state.zone },
      })),
      kind: state.kind,
    }
    await load()
  } catch (error) {
    if (!(error instanceof ApiProblem)) throw error
    problems.value = Object.fromEntries(
      error.problem.errors?.map(e => [e.path, e.message]) ?? [['name', error.message]],
    )
  }
}
watch(open, is => {
  if (!is) return
  made.value = null
  problems.value = {}
  Object.assign(state, { name: '', kind: 'probe', placeId: undefined, zone: 'air' })
})
const example = computed(() =>
  made.value
    ? `curl -X POST ${window.location.origin}/api/devices/${made.value.id}/readings \\\n  -H 'Authorization: Bearer ${made.value.token}' -H 'Content-Type: application/json' \\\n  -d '{"readings":[{"at":"${new Date().toISOString().slice(0, 19)}Z","${made.value.kind === 'probe' ? 'tempC":11.9,"humidityPct":62' : 'massG":412'}}]}'`
    : '',
)
</script>

<template>
  <div>
    <slot name="head" :answer="answer" :add="add"
      ><div class="mt-4 flex flex-wrap items-baseline justify-between gap-2">
        <p>{{ answer }}</p>
        <UButton label="Add a device" icon="i-lucide-plus" variant="outline" color="neutral" @click="add" /></div
    ></slot>
    <ul v-if="list?.devices.length" class="devices">
      <li v-for="d in list.devices" :key="d.id" :data-device="d.name">
        <h2>
          {{ d.name }}
          <span class="quiet"
            >{{ d.kind }}{{ d.simulated ? ', simulated' : ''
            }}{{
              d.placeId ? `, ${house.placeName(d.placeId)}${d.zone === 'air' ? '' : `, ${ZONES[d.zone]}`}` : ''
            }}</span
          >
        </h2>
        <p>
          {{ latest(d)
          }}<span v-if="d.setAside" class="aside"> · {{ d.setAside }} set aside, last: {{ d.lastReason }}</span
          ><span v-if="d.calibrated.length" class="quiet"> · {{ d.calibrated.map(checkSaid).join(', ') }}</span>
        </p>
        <div class="acts">
          <template v-if="list.demo && d.simulated && d.kind === 'probe'">
            <UButton
              v-for="fault in d.canFail"
              :key="fault"
              :label="FAULT_WORDS[fault]"
              size="xs"
              :variant="d.faults.includes(fault) ? 'solid' : 'outline'"
              :color="d.faults.includes(fault) ? 'error' : 'neutral'"
              :aria-pressed="d.faults.includes(fault)"
              :disabled="busy"
              @click="setFault(d, fault, !d.faults.includes(fault))"
            />
          </template>
          <UButton
            v-if="d.kind === 'probe'"
            :label="checking === d.id ? 'Close' : 'Check it'"
            size="xs"
            variant="outline"
            color="neutral"
            :aria-label="checking === d.id ? `Close the check of ${d.name}` : `Check it: ${d.name}`"
            :aria-expanded="checking === d.id"
            @click="checking = checking === d.id ? null : d.id"
          />
          <UButton
            v-if="d.kind === 'probe'"
            label="Read a file"
            size="xs"
            variant="outline"
            color="neutral"
            :aria-label="`Read a file into ${d.name}`"
            :aria-expanded="filing === d.id"
            @click="filing = filing === d.id ? null : d.id"
          />
          <UButton
            v-if="!d.simulated"
            :label="removing === d.id ? `Remove ${d.name} for good` : `Remove ${d.name}`"
            size="xs"
            :variant="removing === d.id ? 'solid' : 'ghost'"
            :color="removing === d.id ? 'error' : 'neutral'"
            :disabled="busy"
            @click="removing === d.id ? remove(d) : (removing = d.id)"
            @blur="removing = null"
          />
        </div>
        <DevicesLoggerFile v-if="filing === d.id" :device="d" :now="list.now" @done="checked" />
        <DevicesCheck v-if="checking === d.id" :device="d" @done="checked" />
      </li>
    </ul>
    <section v-if="list?.demo" class="demo">
      <h2>
        Let time pass <span class="quiet">it is {{ clock }}</span>
      </h2>
      <p class="quiet small">
        The simulated probes read on by the minute. Break one, let some hours pass, and look at Places or Brumation.
      </p>
      <div class="acts">
        <UButton
          v-for="h in [1, 6, 24]"
          :key="h"
          :label="h === 1 ? '1 hour' : `${h} hours`"
          variant="outline"
          color="neutral"
          :disabled="busy"
          :loading="busy"
          @click="pass(h)"
        />
      </div>
    </section>
    <p class="quiet small mt-8 max-w-prose">
      A gateway sends readings to <code>POST /api/devices/:id/readings</code> with its token. What cannot be true (a
      clock ahead, no number, another value for the same instant) is set aside with its reason, and never lost. Have a
      second thermometer in every cold place: a probe can lie.
    </p>
    <USlideover v-model:open="open" title="Add a device" description="It gets an address and a token of its own">
      <template #body>
        <div v-if="made" class="grid gap-3">
          <p>
            <b>{{ made.name }}</b> may send. Its token is shown this once; write it into the gateway now.
          </p>
          <UFormField label="Token"><UInput :model-value="made.token" readonly class="w-full font-mono" /></UFormField>
          <p class="small quiet">For a try:</p>
          <pre tabindex="0">{{ example }}</pre>
          <UButton label="It is written down" class="justify-self-start" @click="open = false" />
        </div>
        <form v-else class="grid gap-4" @submit.prevent="send">
          <UFormField label="Name" required :error="problems.name"
            ><UInput v-model="state.name" class="w-full" placeholder="Chest probe"
          /></UFormField>
          <UFormField label="Kind"
            ><USelect v-model="state.kind" :items="['probe', 'scale']" class="w-full"
          /></UFormField>
          <UFormField v-if="state.kind === 'probe'" label="Reads" :error="problems.placeId"
            ><USelectMenu
              v-model="state.placeId"
              :items="places"
              value-key="value"
              class="w-full"
              placeholder="Which place"
          /></UFormField>
          <UFormField v-if="state.kind === 'probe'" label="At its" :error="problems.zone"
            ><USelect v-model="state.zone" :items="zones" value-key="value" class="w-full"
          /></UFormField>
          <UButton type="submit" label="Add device" class="justify-self-start" />
        </form>
      </template>
    </USlideover>
  </div>
</template>

<style scoped>
.devices li {
  border-top: 1px solid var(--ui-border);
  padding: 0.625rem 0;
  display: grid;
  gap: 0.25rem;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  padding-top: 0.25rem;
}
.demo {
  border-top: 1px solid var(--ui-border-accented);
  margin-top: 1rem;
  padding-top: 0.75rem;
}
.aside {
  color: var(--harm);
}
pre {
  font-family: var(--font-mono);
  font-size: 0.8125rem;
  overflow-x: auto;
  background: var(--ui-bg-muted);
  padding: 0.75rem;
}
code {
  font-family: var(--font-mono);
}
@media (max-width: 800px) {
  .acts :deep(button) {
    min-height: 2.75rem;
  }
}
</style>
