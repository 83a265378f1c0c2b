<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import { looksOf } from '#core/genetics'
import { lociOf, roomForYoung, type BenchWish } from '#core/season'

/** Who could go with whom: the matrix, the best allocation as a suggestion one can bend, and setting it. */
const house = useHouse()
const { record, busy } = useRecord()
const { narrow } = useNarrow()

const kinds = computed(() => {
  const count = new Map<string, number>()
  for (const a of Object.values(house.house.animals))
    if (a.status === 'alive' && house.almanac.species[a.speciesId]?.mating) {
      const kind = house.rootOf(a.speciesId)
      count.set(kind, (count.get(kind) ?? 0) + 1)
    }
  return [...count].sort((a, b) => b[1] - a[1]).map(([value]) => ({ value, label: house.speciesName(value) }))
})
const speciesId = useLocalStorage('pairing-species', '')
watch(
  kinds,
  list => {
    if (list.length && !list.some(k => k.value === speciesId.value)) speciesId.value = list[0]!.value
  },
  { immediate: true },
)
const wishKeys = useLocalStorage<string[]>('pairing-wish', [])
const wishItems = computed(() =>
  lociOf(house.house, house.almanac, speciesId.value).flatMap(l =>
    looksOf(l)
      .filter(Boolean)
      .map(look => ({ value: `${l.id}|${look}`, label: `${l.name}: ${look}` })),
  ),
)
const wishes = computed<BenchWish[]>(() => {
  const by = new Map(
    wishKeys.value.filter(k => wishItems.value.some(i => i.value === k)).map(k => k.split('|') as [string, string]),
  )
  return [...by].map(([locusId, look]) => ({ locusId, look }))
})
const { bench, chosen, choices, bend, problem, loading } = usePairingBench(speciesId, wishes)

const suggested = computed(() => {
  const b = bench.value
  if (!b) return []
  return chosen.value.flatMap((c, r) =>
    c < 0
      ? []
      : [
          {
            dam: b.dams[r]!,
            sire: b.sires[c]!,
            worth: b.worths[r * b.sires.length + c]!,
            level: b.levels[r * b.sires.length + c]!,
            text: b.texts[b.text[r * b.sires.length + c]!]!,
          },
        ],
  )
})
const toSet = computed(() =>
  suggested.value.filter(s => !Object.values(house.house.pairings).some(p => !p.ended && p.damId === s.dam.id)),
)
const room = computed(() =>
  house.season && speciesId.value
    ? roomForYoung(
        { house: house.house, almanac: house.almanac, settings: house.settings, today: house.today },
        speciesId.value,
        house.season,
      )
    : null,
)
const brings = computed(() =>
  room.value
    ? { low: room.value.value.brings.low * toSet.value.length, high: room.value.value.brings.high * toSet.value.length }
    : null,
)

const open = ref<{ damId: string; sireId: string } | null>(null)
/** The cell that is looked at goes to another male, to none, or back to the suggestion. */
function bendOpen(sireId: string | null | undefined): void {
  if (open.value) bend(open.value.damId, sireId)
  open.value = null
}
const isOpen = computed({
  get: () => open.value !== null,
  set: is => {
    if (!is) open.value = null
  },
})
const tag = (id: string) => house.house.animals[id]?.tag ?? ''

async function setAll(): Promise<void> {
  await record(
    toSet.value.map((s, i) => ({
      kind: 'paired',
      founds: 'pairing' as const,
      data: { tag: nextPairTag(house.house, i), damId: s.dam.id, sireId: s.sire.id },
    })),
    `${toSet.value.length} pairs set`,
  )
}
</script>

<template>
  <section aria-label="Bench">
    <p v-if="!kinds.length" class="quiet">No grown animal of a species that the almanac pairs lives here.</p>
    <template v-else>
      <div class="tools">
        <RecordPick v-model="speciesId" :items="kinds" class="w-60" name="Species" />
        <RecordPick
          v-if="wishItems.length"
          v-model="wishKeys"
          :items="wishItems"
          multiple
          class="w-60"
          placeholder="Wished looks: any"
          name="Wish"
        />
        <span v-if="bench" class="quiet">{{ bench.dams.length }} females × {{ bench.sires.length }} males</span>
        <span v-if="loading" class="quiet" role="status">judging …</span>
      </div>
      <p v-if="problem" class="harm">{{ problem }}</p>
      <template v-if="bench">
        <p v-if="!bench.dams.length || !bench.sires.length" class="quiet">
          No {{ bench.dams.length ? 'male' : 'female' }} of this species is grown and known by sex.
        </p>
        <template v-else>
          <p class="key">
            <b>Number</b>: worth of the pair, of 100. <span class="box" /> suggested, <span class="box double" /> kept
            by you, <b>…</b> waits, <b>?</b> doubtful, <b>×</b> not to be paired. Press a cell for its reasons.
          </p>
          <div class="both">
            <PairingMatrix
              :bench="bench"
              :chosen="chosen"
              :choices="choices"
              @open="(damId, sireId) => (open = { damId, sireId })"
            />
            <div v-if="suggested.length" class="suggestion">
              <h2>Suggested: {{ suggested.length }} pairs</h2>
              <p class="quiet small">The best over all, spread over the males; pairs that are set stand.</p>
              <ul>
                <li v-for="s in suggested" :key="s.dam.id" :data-suggested="s.dam.tag">
                  <span class="tag">{{ s.dam.tag }} × {{ s.sire.tag }}</span>
                  <span class="n">{{ Math.round(s.worth * 100) }}</span>
                  <span class="quiet"
                    >{{ s.text }}<template v-if="s.dam.pairedIn">, set as {{ s.dam.pairedIn }}</template></span
                  >
                </li>
              </ul>
              <p v-if="room && brings && toSet.length">
                <WorkingLink
                  :title="`${house.speciesName(speciesId)}: room for young`"
                  :answer="`You can place ${Math.max(0, room.value.left)}; ${toSet.length === 1 ? 'this pair' : `these ${toSet.length} pairs`} ${toSet.length === 1 ? 'brings' : 'bring'} ${brings.low === brings.high ? `about ${brings.low}` : `${brings.low}–${brings.high}`} more.`"
                  :reasons="room.reasons"
                />
                <b v-if="brings.high > room.value.left" class="harm"> More than you can place: set fewer.</b>
              </p>
              <UButton
                v-if="toSet.length"
                :label="toSet.length === 1 ? 'Set 1 pair' : `Set ${toSet.length} pairs`"
                :loading="busy"
                @click="setAll"
              />
            </div>
          </div>
        </template>
        <p v-if="bench.unsexed.length" class="quiet small">
          {{ bench.unsexed.join(', ') }}: grown, but of unknown sex; sex them first.
        </p>
      </template>
    </template>
    <USlideover
      v-model:open="isOpen"
      :side="narrow ? 'bottom' : 'right'"
      :title="open ? `${tag(open.damId)} × ${tag(open.sireId)}` : ''"
      :description="house.speciesName(speciesId)"
      :ui="{ content: 'max-h-[90dvh] sm:max-h-none sm:max-w-lg' }"
    >
      <template #body>
        <PairingCellSheet
          v-if="open"
          :dam-id="open.damId"
          :sire-id="open.sireId"
          :wishes="wishes"
          :kept="choices[open.damId] === open.sireId"
          :left="choices[open.damId] === null"
          @bend="bendOpen"
          @set="open = null"
        />
      </template>
    </USlideover>
  </section>
</template>

<style scoped>
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 0.75rem;
  align-items: center;
  margin-bottom: 0.5rem;
}
.key {
  font-size: 0.875rem;
  color: var(--ui-text-muted);
  margin-bottom: 0.5rem;
}
.box {
  display: inline-block;
  width: 1rem;
  height: 0.75rem;
  border: 2px solid var(--stage-pairing);
  border-radius: 2px;
  vertical-align: -1px;
}
.box.double {
  border: 4px double var(--stage-pairing);
}
.harm {
  color: var(--harm);
}
.both {
  display: flex;
  flex-wrap: wrap;
  gap: 1rem 2rem;
  align-items: flex-start;
}
.both > :deep(.matrix) {
  flex: 0 1 auto;
}
.suggestion {
  flex: 1 1 20rem;
  display: grid;
  gap: 0.375rem;
  justify-items: start;
}
.suggestion ul {
  width: 100%;
  columns: 20rem auto;
  column-gap: 2rem;
}
.suggestion li {
  padding: 0.1875rem 0;
  break-inside: avoid;
}
.n {
  font-family: var(--font-mono);
  margin-inline: 0.375rem;
}
</style>
