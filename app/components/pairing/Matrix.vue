<script setup lang="ts">
import { useVirtualizer } from '@tanstack/vue-virtual'
import type { Bench } from '#core/season'

/**
 * Females down, males across; only the cells in sight are drawn, so that 200 × 200 scroll. Arrow keys go from cell to
 * cell.
 */
const props = defineProps<{ bench: Bench; chosen: number[]; choices: Record<string, string | null> }>()
const emit = defineEmits<{ open: [damId: string, sireId: string] }>()

const ROW = 44
const COLUMN = 76
const HEAD = 44
const LABEL = 104
const box = useTemplateRef<HTMLElement>('box')
const rows = useVirtualizer(
  computed(() => ({
    count: props.bench.dams.length,
    getScrollElement: () => box.value,
    estimateSize: () => ROW,
    overscan: 6,
    scrollPaddingStart: HEAD,
  })),
)
const columns = useVirtualizer(
  computed(() => ({
    horizontal: true,
    count: props.bench.sires.length,
    getScrollElement: () => box.value,
    estimateSize: () => COLUMN,
    overscan: 4,
    scrollPaddingStart: LABEL,
  })),
)
const n = computed(() => props.bench.sires.length)
const here = ref({ row: 0, column: 0 })
watch(
  () => props.bench.speciesId,
  () => {
    here.value = { row: 0, column: 0 }
  },
)

const WORDS = ['fits', 'waits', 'doubtful', 'no'] as const
function cell(row: number, column: number) {
  const b = props.bench
  const i = row * n.value + column
  const worth = Math.round(b.worths[i]! * 100)
  const level = WORDS[b.levels[i]!]!
  const chosen = props.chosen[row] === column
  const kept = props.choices[b.dams[row]!.id] === b.sires[column]!.id
  return {
    worth,
    level,
    chosen,
    kept,
    text: b.texts[b.text[i]!]!,
    label: `${b.dams[row]!.tag} with ${b.sires[column]!.tag}: ${level === 'no' ? 'not to be paired' : `${worth} of 100`}, ${b.texts[b.text[i]!]}${chosen ? '; suggested' : ''}${kept ? ', kept by you' : ''}`,
  }
}

async function move(event: KeyboardEvent): Promise<void> {
  const step = {
    ArrowUp: [-1, 0],
    ArrowDown: [1, 0],
    ArrowLeft: [0, -1],
    ArrowRight: [0, 1],
    Home: [0, -1e6],
    End: [0, 1e6],
    PageDown: [8, 0],
    PageUp: [-8, 0],
  }[event.key]
  if (!step) return
  event.preventDefault()
  const clamp = (x: number, most: number) => Math.max(0, Math.min(most - 1, x))
  here.value = {
    row: clamp(here.value.row + step[0]!, props.bench.dams.length),
    column: clamp(here.value.column + step[1]!, n.value),
  }
  rows.value.scrollToIndex(here.value.row)
  columns.value.scrollToIndex(here.value.column)
  await nextTick()
  requestAnimationFrame(() =>
    box.value?.querySelector<HTMLElement>(`[data-cell="${here.value.row},${here.value.column}"]`)?.focus(),
  )
}
</script>

<template>
  <div
    ref="box"
    class="matrix"
    role="grid"
    aria-label="Females with males"
    :aria-rowcount="bench.dams.length + 1"
    :aria-colcount="n + 1"
    @keydown="move"
  >
    <div
      class="inner"
      :style="{ height: `${rows.getTotalSize() + HEAD}px`, width: `${columns.getTotalSize() + LABEL}px` }"
    >
      <div
        class="head"
        role="row"
        aria-rowindex="1"
        :style="{ height: `${HEAD}px`, width: `${columns.getTotalSize() + LABEL}px` }"
      >
        <div class="corner" role="columnheader" :style="{ width: `${LABEL}px` }">female \ male</div>
        <div
          v-for="c in columns.getVirtualItems()"
          :key="c.index"
          class="sire"
          role="columnheader"
          :aria-colindex="c.index + 2"
          :style="{ left: `${c.start + LABEL}px`, width: `${COLUMN}px` }"
        >
          <span class="tag">{{ bench.sires[c.index]!.tag }}</span><span class="sub"
            >{{ chosen.filter(x => x === c.index).length }} of {{ bench.perMale }}</span
          >
        </div>
      </div>
      <div
        v-for="r in rows.getVirtualItems()"
        :key="r.index"
        role="row"
        class="row"
        :aria-rowindex="r.index + 2"
        :style="{ top: `${r.start + HEAD}px`, height: `${ROW}px`, width: `${columns.getTotalSize() + LABEL}px` }"
      >
        <div class="dam" role="rowheader" :style="{ width: `${LABEL}px` }">
          <span class="tag">{{ bench.dams[r.index]!.tag }}</span><span class="sub">{{
            bench.dams[r.index]!.pairedIn ?? ''
          }}</span>
        </div>
        <div
          v-for="c in columns.getVirtualItems()"
          :key="c.index"
          role="gridcell"
          :aria-colindex="c.index + 2"
          class="slot"
          :style="{ left: `${c.start + LABEL}px`, width: `${COLUMN}px` }"
        >
          <button
            v-for="x in [cell(r.index, c.index)]"
            :key="x.label"
            type="button"
            class="cell"
            :class="[x.level, { chosen: x.chosen, kept: x.kept }]"
            :data-cell="`${r.index},${c.index}`"
            :tabindex="here.row === r.index && here.column === c.index ? 0 : -1"
            :aria-label="x.label"
            :title="x.text"
            :style="{ '--worth': `${x.worth}%` }"
            @focus="here = { row: r.index, column: c.index }"
            @click="emit('open', bench.dams[r.index]!.id, bench.sires[c.index]!.id)"
          >
            <span class="sign" aria-hidden="true">{{
              { fits: '', waits: '…', doubtful: '?', no: '×' }[x.level]
            }}</span><span v-if="x.level !== 'no'" class="n">{{ x.worth }}</span>
          </button>
        </div>
      </div>
    </div>
  </div>
</template>

<style scoped>
.matrix {
  overflow: auto;
  max-height: min(34rem, calc(100dvh - 21rem));
  min-height: 12rem;
  border-block: 1px solid var(--ui-border-accented);
  max-width: 100%;
  width: fit-content;
}
.inner {
  position: relative;
}
.head {
  position: sticky;
  top: 0;
  z-index: 3;
  background: var(--ui-bg);
  border-bottom: 1px solid var(--ui-border-accented);
}
.corner {
  position: sticky;
  left: 0;
  z-index: 4;
  height: 100%;
  background: var(--ui-bg);
  font-size: 0.8125rem;
  color: var(--ui-text-muted);
  display: flex;
  align-items: end;
  padding-bottom: 0.25rem;
}
.sire {
  position: absolute;
  top: 0;
  height: 100%;
  display: grid;
  align-content: center;
  justify-items: center;
  line-height: 1.15;
}
.sub {
  font-size: 0.8125rem;
  color: var(--ui-text-muted);
}
.row {
  position: absolute;
  left: 0;
  border-bottom: 1px solid var(--ui-border);
}
.dam {
  position: sticky;
  left: 0;
  z-index: 2;
  height: 100%;
  background: var(--ui-bg);
  display: flex;
  align-items: center;
  justify-content: space-between;
  padding-right: 0.5rem;
}
.slot {
  position: absolute;
  top: 0;
  height: 100%;
  padding: 2px;
}
.cell {
  width: 100%;
  height: 100%;
  display: flex;
  gap: 0.25rem;
  align-items: center;
  justify-content: center;
  font-family: var(--font-mono);
  font-size: 0.9375rem;
  cursor: pointer;
  border-radius: 3px;
  border: 2px solid transparent;
  background: color-mix(in srgb, var(--stage-pairing) calc(var(--worth) * 0.26), transparent);
  color: var(--ui-text-highlighted);
}
.cell.no {
  background: none;
  color: var(--ui-text-dimmed);
}
.cell:hover {
  border-color: var(--ui-border-accented);
}
.cell.chosen {
  border-color: var(--stage-pairing);
  font-weight: 700;
}
.cell.kept {
  border-style: double;
  border-width: 4px;
}
.sign {
  color: var(--ui-text-muted);
}
</style>
