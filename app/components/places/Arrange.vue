<script setup lang="ts">
import Sortable from 'sortablejs'
import { reordered } from '#core/places'
import type { RowNow } from '~/composables/usePlaces'

/** What stands in one thing, to be put in the order in which one walks: by hand, by thumb or by arrow keys. */
const props = defineProps<{ row: RowNow }>()
const { record } = useRecord()
const ids = ref<string[]>([])
const list = useTemplateRef<HTMLElement>('list')
const moved = ref('')
const nameOf = (id: string) => props.row.places.find(p => p.place.id === id)?.place.name ?? ''
const tagsOf = (id: string) => props.row.places.find(p => p.place.id === id)?.tags.join(' ') ?? ''
watch(
  () => props.row.places.map(p => p.place.id),
  now => {
    ids.value = now
  },
  { immediate: true },
)

let wait: ReturnType<typeof setTimeout> | undefined
/** Written once nothing has been moved for a moment: some presses of a key are one act. */
function keepSoon(): void {
  clearTimeout(wait)
  wait = setTimeout(keep, 1200)
}
function keep(): void {
  clearTimeout(wait)
  wait = undefined
  const places = props.row.places.map(p => ({ id: p.place.id, order: p.place.order }))
  const changed = reordered(places, ids.value)
  if (!changed.length) return
  void record(
    changed.map(({ id, order }) => ({
      kind: 'placeChanged',
      subject: { type: 'place' as const, id },
      data: { order },
    })),
    `${props.row.name}: put in another order`,
  )
}
onBeforeUnmount(() => {
  if (wait !== undefined) keep()
})

function move(from: number, to: number): void {
  if (to < 0 || to >= ids.value.length) return
  const next = [...ids.value]
  const [id] = next.splice(from, 1)
  next.splice(to, 0, id!)
  ids.value = next
  moved.value = `${nameOf(id!)} is now ${to + 1} of ${next.length}`
  keepSoon()
}
const STEPS: Record<string, number> = { ArrowLeft: -1, ArrowUp: -1, ArrowRight: 1, ArrowDown: 1 }
async function onKey(event: KeyboardEvent, index: number): Promise<void> {
  const step = STEPS[event.key]
  if (!step) return
  event.preventDefault()
  move(index, index + step)
  await nextTick()
  const buttons = list.value?.querySelectorAll<HTMLElement>('button') ?? []
  buttons[Math.min(buttons.length - 1, Math.max(0, index + step))]?.focus()
}

let sortable: Sortable | undefined
onMounted(() => {
  sortable = Sortable.create(list.value!, {
    // a thumb that scrolls does not drag
    delay: 150,
    delayOnTouchOnly: true,
    onUpdate({ item, oldIndex, newIndex }) {
      if (oldIndex === undefined || newIndex === undefined) return
      // the list is drawn from its order: what was dragged goes back, and the order moves it
      const { parentNode } = item
      parentNode?.removeChild(item)
      parentNode?.insertBefore(item, parentNode.children[oldIndex] ?? null)
      move(oldIndex, newIndex)
    },
  })
})
onBeforeUnmount(() => sortable?.destroy())
</script>

<template>
  <div>
    <ul ref="list" class="cells" :aria-label="`${row.name}: drag, or move with the arrow keys`">
      <li v-for="(id, i) in ids" :key="id">
        <button type="button" :aria-label="`${nameOf(id)}, ${i + 1} of ${ids.length}`" @keydown="onKey($event, i)">
          <UIcon name="i-lucide-grip-vertical" class="size-4 flex-none" aria-hidden="true" />
          <span>
            {{ nameOf(id) }}
            <span class="tag block">{{ tagsOf(id) }}</span>
          </span>
        </button>
      </li>
    </ul>
    <p class="sr-only" aria-live="polite">{{ moved }}</p>
  </div>
</template>

<style scoped>
.cells {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(7rem, 1fr));
  padding: 0 1px 1px 0;
}
li {
  margin: 0 -1px -1px 0;
}
button {
  display: flex;
  gap: 0.25rem;
  width: 100%;
  min-height: 3.5rem;
  padding: 0.375rem 0.25rem;
  text-align: start;
  font-size: 0.875rem;
  line-height: 1.25rem;
  border: 1px dashed var(--ui-border-accented);
  cursor: grab;
}
</style>
