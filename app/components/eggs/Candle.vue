<script setup lang="ts">
import { drag, select } from 'd3'
import { useElementSize } from '@vueuse/core'
import {
  EGG_ENDS,
  EGG_SIGNS,
  EGG_STATES,
  eggsLeft,
  notPlaced,
  type ClutchState,
  type EggEnd,
  type EggSign,
  type EggStanding,
} from '#core/subjects'
import { EGG_LOOK_WORDS, EGG_SIGN_WORDS, drawnEggs, gridOf, type EggLook } from './drawing'

/** The box from above: say what the eggs are by tapping them, and write it all at once. */
const props = defineProps<{ clutch: ClutchState; day: number | null; disabled?: boolean }>()
const { record, busy } = useRecord()

/** A finger wide. */
const TARGET = 46
const box = useTemplateRef<HTMLElement>('box')
const { width } = useElementSize(box)
const grid = computed(() => gridOf(props.clutch.eggs, Math.max(1, Math.floor((width.value || 320) / TARGET))))
const height = computed(() => Math.max(2, grid.value.rows) * TARGET)

const mark = ref<EggStanding>('sound')
const signs = ref<EggSign[]>([])
/** How far the dead ones had come, where they were opened. */
const end = ref<EggEnd>()
const pending = ref(new Map<number, { state: EggStanding; signs?: EggSign[]; end?: EggEnd }>())
const arranging = ref(false)
const moved = ref(new Map<number, { x: number; y: number }>())

const eggs = computed(() =>
  drawnEggs(props.clutch, grid.value).map(e => ({
    ...e,
    ...moved.value.get(e.n),
    look: (pending.value.get(e.n)?.state ?? e.look) as EggLook,
    wished: pending.value.has(e.n) || moved.value.has(e.n),
  })),
)
const over = (look: EggLook) => look === 'slug' || look === 'dead' || look === 'out' || look === 'yolkIn'
/** Eggs of which nothing is said that may be called sound at once: not those that are lost or out, but unnamed. */
const rest = computed(() => {
  const free = notPlaced(props.clutch)
  const unsaid = eggs.value.filter(e => e.look === 'unsaid').map(e => e.n)
  return free.slug + free.dead + free.out > 0 ? [] : unsaid
})
const unnamed = computed(() => {
  const free = notPlaced(props.clutch)
  return [
    free.slug && `${free.slug} slug${free.slug === 1 ? '' : 's'}`,
    free.dead && `${free.dead} lost`,
    free.out && `${free.out} out`,
    free.pipped && `${free.pipped} pipped`,
  ]
    .filter(Boolean)
    .join(', ')
})

function tap(n: number): void {
  if (arranging.value) return
  const before = pending.value.get(n)
  const next = new Map(pending.value)
  if (before?.state === mark.value) next.delete(n)
  else {
    const opened = mark.value === 'dead' && end.value ? { end: end.value } : {}
    next.set(n, { state: mark.value, ...opened, ...(signs.value.length && { signs: [...signs.value] }) })
  }
  pending.value = next
}
function restSound(): void {
  pending.value = new Map([...pending.value, ...rest.value.map(n => [n, { state: 'sound' as const }] as const)])
}

const clamp = (v: number) => Math.max(0.02, Math.min(0.98, v))
const place = (n: number, x: number, y: number) =>
  (moved.value = new Map([...moved.value, [n, { x: Number(clamp(x).toFixed(3)), y: Number(clamp(y).toFixed(3)) }]]))
function step(event: KeyboardEvent, n: number): void {
  const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key]
  const egg = eggs.value.find(e => e.n === n)
  if (!arranging.value || !by || !egg) return
  event.preventDefault()
  place(n, egg.x + by[0]! * 0.03, egg.y + by[1]! * 0.06)
}
watch([arranging, () => props.clutch.eggs], async ([on]) => {
  await nextTick()
  const all = select(box.value).selectAll<HTMLElement, unknown>('button[data-egg]')
  all.on('.drag', null)
  if (!on) return
  all.call(
    drag<HTMLElement, unknown>()
      .container(() => box.value!)
      .on('drag', function (event: { x: number; y: number }) {
        place(Number(this.dataset.egg), event.x / width.value, event.y / height.value)
      }),
  )
})

const changes = computed(() => pending.value.size + moved.value.size)
const says = computed(() => {
  const n = pending.value.size
  return arranging.value
    ? `Record where ${moved.value.size} ${moved.value.size === 1 ? 'lies' : 'lie'}`
    : `Record ${n} ${n === 1 ? 'egg' : 'eggs'}`
})
const problem = ref('')
const form: FormErrors = { setErrors: errors => (problem.value = errors.map(e => e.message).join(' ')) }
function drop(): void {
  pending.value = new Map()
  moved.value = new Map()
  problem.value = ''
}
async function write(): Promise<void> {
  if (props.day === null) return
  problem.value = ''
  const numbers = [...new Set([...pending.value.keys(), ...moved.value.keys()])].sort((a, b) => a - b)
  const said = numbers.map(n => {
    const lies = moved.value.get(n)
    return { n, ...pending.value.get(n), ...(lies && { lies }) }
  })
  const subject = { type: 'clutch' as const, id: props.clutch.id }
  const wish = { kind: 'eggsSeen', subject, data: { eggs: said }, day: props.day }
  const one = numbers.length === 1 ? `egg ${numbers[0]}` : `${numbers.length} eggs`
  if (await record(wish, `${props.clutch.tag}: ${one} written`, form)) drop()
}
const left = computed(() => eggsLeft(props.clutch))
</script>

<template>
  <div class="candle">
    <div class="tools" :class="{ stays: clutch.eggs > 24 }">
      <div class="marks" role="group" aria-label="What the eggs are that are tapped">
        <button
          v-for="s in EGG_STATES"
          :key="s"
          type="button"
          class="mark"
          :aria-pressed="mark === s && !arranging"
          :disabled="arranging"
          @click="mark = s"
        >
          <svg width="22" height="24" aria-hidden="true"><EggsEgg :look="s" :cx="11" :cy="12" :r="10" /></svg>
          {{ EGG_LOOK_WORDS[s] }}
        </button>
      </div>
      <div class="line">
        <UButton
          v-if="changes"
          size="lg"
          :label="says"
          :loading="busy"
          :disabled="disabled || day === null"
          @click="write"
        />
        <UButton v-if="changes" size="lg" variant="ghost" color="neutral" label="Leave it" @click="drop" />
        <UButton
          v-if="rest.length && left && !arranging"
          size="lg"
          variant="outline"
          color="neutral"
          :label="pending.size ? `The other ${rest.length} sound` : `All ${rest.length} sound`"
          :disabled="disabled"
          @click="restSound"
        />
        <RecordPick
          v-if="mark === 'dead' && !arranging"
          v-model="end"
          name="How far they had come"
          :items="EGG_ENDS.map(e => ({ value: e, label: e }))"
          placeholder="Opened: how far …"
          class="w-44"
        />
        <RecordPick
          v-if="!arranging"
          v-model="signs"
          name="Seen of those tapped next"
          :items="EGG_SIGNS.map(s => ({ value: s, label: EGG_SIGN_WORDS[s] }))"
          multiple
          placeholder="Seen of them …"
          class="w-40"
        />
        <UButton
          size="lg"
          variant="ghost"
          color="neutral"
          :label="arranging ? 'Done arranging' : 'Arrange'"
          :aria-pressed="arranging"
          :disabled="disabled || pending.size > 0"
          @click="arranging = !arranging"
        />
      </div>
    </div>
    <div
      ref="box"
      class="tub"
      :class="{ arranging }"
      :style="{ height: `${height}px` }"
      role="group"
      :aria-label="`Box of ${clutch.tag}`"
    >
      <button
        v-for="egg in eggs"
        :key="egg.n"
        type="button"
        :data-egg="egg.n"
        :class="{ wished: egg.wished, over: over(egg.look) }"
        :style="{ left: `${egg.x * 100}%`, top: `${egg.y * 100}%` }"
        :aria-label="`Egg ${egg.n}, ${EGG_LOOK_WORDS[egg.look]}${egg.egg?.signs.length ? `, ${egg.egg.signs.join(', ')}` : ''}${egg.wished ? ', not written yet' : ''}`"
        :disabled="disabled"
        @click="tap(egg.n)"
        @keydown="step($event, egg.n)"
      >
        <svg :width="TARGET - 8" :height="TARGET - 4" aria-hidden="true">
          <EggsEgg :look="egg.look" :cx="(TARGET - 8) / 2" :cy="(TARGET - 4) / 2" :r="15" />
        </svg>
        <span class="n" aria-hidden="true">{{ egg.n }}</span>
      </button>
    </div>
    <p v-if="unnamed" class="quiet small">{{ unnamed }} counted, and not said of which eggs: tap them to say.</p>
    <p v-if="problem" class="small text-error" role="alert">{{ problem }}</p>
    <p v-if="arranging" class="quiet small">Drag each egg to where it lies, or move it with the arrow keys.</p>
  </div>
</template>

<style scoped>
.candle {
  display: grid;
  gap: 0.75rem;
}
.tools {
  display: grid;
  gap: 0.5rem;
}
.stays {
  position: sticky;
  top: 0;
  z-index: 2;
  background: var(--ui-bg);
  padding-block: 0.5rem;
}
.marks {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem;
}
.mark {
  display: flex;
  align-items: center;
  gap: 0.25rem;
  min-height: 2.75rem;
  padding: 0 0.5rem;
  border-radius: 4px;
  font-size: 0.9375rem;
  cursor: pointer;
}
.mark[aria-pressed='true'] {
  background: var(--ui-bg-elevated);
  box-shadow: inset 0 -2px 0 var(--ui-primary);
  font-weight: 600;
}
.mark:disabled {
  opacity: 0.5;
  cursor: default;
}
.tub {
  position: relative;
  border: 1.5px solid var(--ui-border-accented);
  border-radius: 4px;
  touch-action: manipulation;
}
.tub button {
  position: absolute;
  transform: translate(-50%, -50%);
  width: 42px;
  height: 44px;
  display: grid;
  place-items: center;
  border-radius: 4px;
  cursor: pointer;
}
.arranging button {
  touch-action: none;
  cursor: grab;
}
.tub .wished {
  background: var(--ui-bg-elevated);
  box-shadow: inset 0 0 0 1.5px var(--ui-primary);
}
.n {
  position: absolute;
  right: -3px;
  bottom: -4px;
  font-size: 0.8125rem;
  font-variant-numeric: tabular-nums;
  color: var(--ui-text-muted);
  line-height: 1;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  align-items: center;
}
</style>
