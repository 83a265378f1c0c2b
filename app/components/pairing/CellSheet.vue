<script setup lang="ts">
import type { BenchWish } from '#core/season'
import type { CellSnapshot } from '#shared/contracts/bench'

/**
 * One pair of the bench: what it is worth and why, where its young would go, and keeping, leaving out or setting it.
 */
const props = defineProps<{ damId: string; sireId: string; wishes: BenchWish[]; kept: boolean; left: boolean }>()
const emit = defineEmits<{ bend: [sireId: string | null | undefined]; set: [] }>()
const house = useHouse()
const { record, busy } = useRecord()

const cell = shallowRef<CellSnapshot | null>(null)
const problem = ref('')
watch(
  () => [props.damId, props.sireId, props.wishes, house.snapshot?.version],
  async () => {
    cell.value = null
    try {
      cell.value = await callApi<CellSnapshot>(
        `/api/bench/cell?damId=${props.damId}&sireId=${props.sireId}&wish=${encodeURIComponent(JSON.stringify(props.wishes))}`,
      )
      problem.value = ''
    } catch (error) {
      problem.value = error instanceof Error ? error.message : String(error)
    }
  },
  { immediate: true, deep: true },
)

const dam = computed(() => house.house.animals[props.damId]!)
const sire = computed(() => house.house.animals[props.sireId]!)
const paired = computed(() =>
  Object.values(house.house.pairings).find(p => !p.ended && p.damId === props.damId && p.sireId === props.sireId),
)
const WORDS = { good: 'Fits', wait: 'Wait', doubtful: 'Doubtful', no: 'Not to be paired' } as const

async function set(): Promise<void> {
  const done = await record(
    {
      kind: 'paired',
      founds: 'pairing',
      data: { tag: nextPairTag(house.house), damId: props.damId, sireId: props.sireId },
    },
    `${dam.value.tag} set with ${sire.value.tag}`,
  )
  if (done) emit('set')
}
</script>

<template>
  <div class="sheet">
    <p v-if="problem" class="harm">{{ problem }}</p>
    <p v-else-if="!cell" class="quiet">Looking at both …</p>
    <template v-else>
      <p class="verdict" :class="cell.pair.value.level">
        <WorkingLink
          :title="`${dam.tag} with ${sire.tag}`"
          :answer="`${WORDS[cell.pair.value.level]}: ${cell.pair.value.text}. ${Math.round(cell.pair.value.worth * 100)} of 100`"
          :reasons="cell.pair.reasons"
        />
      </p>
      <p v-if="cell.pair.value.caution" class="caution">
        <UIcon name="i-lucide-triangle-alert" class="size-4" /> {{ cell.pair.value.caution }}
      </p>
      <dl>
        <dt>Inbreeding of the young</dt>
        <dd>{{ (cell.pair.value.youngF * 100).toFixed(1) }} %</dd>
        <template v-if="cell.pair.value.wish !== null"
          ><dt>As wished</dt>
          <dd>{{ (cell.pair.value.wish * 100).toFixed(1) }} % of the young</dd></template
        >
        <dt>Room</dt>
        <dd>
          <WorkingLink
            :title="`${house.speciesName(dam.speciesId)}: room for young`"
            :answer="cell.room.value.text"
            :reasons="cell.room.reasons"
          />
        </dd>
      </dl>
      <h3>Why, step by step</h3>
      <ol class="why">
        <li v-for="(p, i) in cell.pair.value.parts" :key="i" :class="{ fails: p.factor === 0 }">
          <span>{{ p.rule }}</span><span class="n">{{
            p.factor === 0 ? 'no' : Math.abs(p.factor - 1) < 0.005 ? '' : `× ${p.factor.toFixed(2)}`
          }}</span>
        </li>
      </ol>
      <div class="buttons">
        <UButton
          v-if="!kept"
          label="Keep in the suggestion"
          variant="outline"
          color="neutral"
          :disabled="cell.pair.value.level === 'no'"
          @click="emit('bend', sireId)"
        />
        <UButton
          v-if="!left"
          :label="`Leave ${dam.tag} alone`"
          variant="outline"
          color="neutral"
          @click="emit('bend', null)"
        />
        <UButton
          v-if="kept || left"
          label="Let Mantel choose"
          variant="outline"
          color="neutral"
          @click="emit('bend', undefined)"
        />
        <UButton v-if="!paired" label="Set this pair" :disabled="busy || cell.pair.value.level === 'no'" @click="set" />
        <span v-else class="quiet">Set as {{ paired.tag }}.</span>
      </div>
      <p><NuxtLink :to="`/genes?dam=${damId}&sire=${sireId}`" class="underline">Their young by looks</NuxtLink></p>
    </template>
  </div>
</template>

<style scoped>
.sheet {
  display: grid;
  gap: 0.75rem;
}
.verdict {
  font-size: 1.0625rem;
  font-weight: 650;
  color: var(--ui-text-highlighted);
}
.verdict.no,
.harm {
  color: var(--harm);
}
.caution {
  color: var(--ui-text-muted);
}
dl {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 0.375rem 1rem;
}
dt {
  color: var(--ui-text-muted);
}
h3 {
  font-weight: 650;
  color: var(--ui-text-highlighted);
}
.why li {
  padding: 0.25rem 0;
  border-top: 1px solid var(--ui-border);
  font-size: 0.9375rem;
  display: flex;
  justify-content: space-between;
  gap: 1rem;
}
.n {
  font-family: var(--font-mono);
  white-space: nowrap;
}
.fails {
  color: var(--harm);
  font-weight: 600;
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  align-items: center;
}
</style>
