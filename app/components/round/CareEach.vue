<script setup lang="ts">
import {
  careReasons,
  isLookedFor,
  proposalReasons,
  tellProposal,
  tellRhythm,
  type CareLine,
  type CareStop,
} from '#core/jobs'
import { FINDINGS, FINDING_WORDS, type Finding } from '#core/subjects/care'
import { formatDistance } from '#core/units'

/** One job place by place: who is left out, and what was found where. */
const props = defineProps<{ line: CareLine }>()
const emit = defineEmits<{ done: [] }>()
const house = useHouse()
const { doneFor, foundAt, setRhythm, busy } = useCare()

const out = ref(new Set<string>())
const foundIn = ref<string | null>(null)
const found = ref<Finding[]>([])
const note = ref('')

function toggle(placeId: string, done: boolean): void {
  const next = new Set(out.value)
  if (done) next.delete(placeId)
  else next.add(placeId)
  out.value = next
}
/** A reading is written for each place by itself. */
const isMeasured = computed(() => props.line.job === 'uvReading')
const nameOf = (placeId: string) => house.house.places[placeId]?.name ?? placeId
const lastOf = ({ lastDay, late }: CareStop) =>
  `${lastDay === null ? 'never written' : `last ${formatDistance(lastDay, house.today)}`}${late ? ', late' : ''}`
const left = computed(() => props.line.stops.length - out.value.size)

async function write(nothing = false): Promise<void> {
  if (await doneFor(props.line, out.value, nothing)) emit('done')
}
function ask(placeId: string): void {
  foundIn.value = foundIn.value === placeId ? null : placeId
  found.value = []
  note.value = ''
}
async function writeFound(placeId: string): Promise<void> {
  if (!(await foundAt(props.line, placeId, found.value, note.value.trim()))) return
  foundIn.value = null
  if (props.line.stops.length <= 1) emit('done')
}
const pick = (f: Finding) => {
  found.value = found.value.includes(f) ? found.value.filter(x => x !== f) : [...found.value, f]
}
</script>

<template>
  <div class="panel">
    <p class="rhythm">
      <WorkingLink
        :title="`${line.name}: ${tellRhythm(line.everyDays)}`"
        :answer="tellRhythm(line.everyDays)"
        :reasons="careReasons(line, house.almanac, house.today)"
      /><span v-if="line.caution" class="caution"
        ><UIcon name="i-lucide-triangle-alert" class="size-3.5 flex-none" /> {{ line.caution }}</span
      >
    </p>
    <ul>
      <li v-for="s in line.stops" :key="s.placeId" :data-stop="nameOf(s.placeId)">
        <span v-if="isMeasured">{{ nameOf(s.placeId) }}</span>
        <UCheckbox
          v-else
          :model-value="!out.has(s.placeId)"
          :label="nameOf(s.placeId)"
          @update:model-value="toggle(s.placeId, $event === true)"
        />
        <span class="quiet small" :class="{ strong: s.late }">{{ lastOf(s) }}</span>
        <LazyPlacesMeasure
          v-if="isMeasured"
          :place-id="s.placeId"
          :name="nameOf(s.placeId)"
          channel="uvIndex"
          zone="spot"
        />
        <UButton
          v-else
          label="Found …"
          size="sm"
          variant="ghost"
          color="neutral"
          :aria-label="`Found something in ${nameOf(s.placeId)}`"
          :aria-expanded="foundIn === s.placeId"
          @click="ask(s.placeId)"
        />
        <p v-if="s.proposal" class="found small">
          <WorkingLink
            :title="`${line.name} in ${nameOf(s.placeId)}`"
            :answer="tellProposal(s.proposal)"
            :reasons="proposalReasons(s.proposal, house.almanac.common)"
          />
          <UButton
            :label="`Set ${tellRhythm(s.proposal.everyDays)}`"
            size="xs"
            variant="outline"
            color="neutral"
            :disabled="busy"
            :aria-label="`Set ${tellRhythm(s.proposal.everyDays)} in ${nameOf(s.placeId)}`"
            @click="setRhythm(line.job, line.name, s.placeId, s.proposal.everyDays)"
          />
        </p>
        <form v-if="foundIn === s.placeId" class="found" @submit.prevent="writeFound(s.placeId)">
          <div class="picks">
            <UButton
              v-for="f in FINDINGS"
              :key="f"
              :label="FINDING_WORDS[f]"
              size="sm"
              :variant="found.includes(f) ? 'solid' : 'outline'"
              color="neutral"
              :aria-pressed="found.includes(f)"
              @click="pick(f)"
            />
          </div>
          <UInput
            v-model="note"
            class="w-full max-w-md"
            placeholder="Where, or what else"
            aria-label="Where, or what else"
            maxlength="300"
          />
          <UButton
            type="submit"
            :label="`Done in ${nameOf(s.placeId)}, and this was found`"
            class="justify-self-start"
            :disabled="busy || (!found.length && !note.trim())"
          />
        </form>
      </li>
    </ul>
    <div v-if="!isMeasured" class="picks">
      <UButton
        :label="out.size ? `Done at ${left}, not at ${out.size}` : `Done at all ${left}`"
        :disabled="busy || !left"
        @click="write()"
      />
      <UButton
        v-if="isLookedFor(line.job)"
        label="Done, nothing was found"
        variant="outline"
        color="neutral"
        :disabled="busy || !left"
        @click="write(true)"
      />
    </div>
  </div>
</template>

<style scoped>
.panel {
  border-left: 3px solid var(--ui-border-accented);
  padding: 0.5rem 0 0.5rem 0.75rem;
  display: grid;
  gap: 0.5rem;
  justify-items: start;
}
.rhythm {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem 1rem;
}
.caution {
  font-size: 0.875rem;
  color: var(--ui-text-muted);
  display: flex;
  align-items: baseline;
  gap: 0.375rem;
}
ul {
  width: 100%;
  columns: 22rem;
}
li {
  display: grid;
  grid-template-columns: minmax(7rem, max-content) minmax(0, 1fr) auto;
  gap: 0 0.75rem;
  align-items: center;
  min-height: 2.25rem;
  break-inside: avoid;
}
.strong {
  color: var(--ui-text-highlighted);
  font-weight: 600;
}
.found {
  grid-column: 1 / -1;
  display: grid;
  gap: 0.5rem;
  padding: 0.25rem 0 0.75rem;
}
.picks {
  display: flex;
  flex-wrap: wrap;
  gap: 0.375rem;
}
@media (max-width: 800px) {
  li {
    min-height: 2.75rem;
  }
  .panel :deep(button) {
    min-height: 2.75rem;
  }
}
</style>
