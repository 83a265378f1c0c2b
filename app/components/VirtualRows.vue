<script setup lang="ts" generic="T">
import { useVirtualizer, useWindowVirtualizer } from '@tanstack/vue-virtual'

/** A list of which only what is near the view is drawn, once it is long; a short one stands as it is. */
const props = withDefaults(
  defineProps<{
    rows: readonly T[]
    keyOf: (row: T) => string
    /** Likely height of a row in px; it is measured when it is drawn. */
    height: number
    /** What it scrolls in; the window when left out. */
    pane?: HTMLElement | null
  }>(),
  { pane: null },
)
defineSlots<{ default: (slot: { row: T; index: number }) => unknown }>()

/** So many rows cost nothing that one could feel. */
const SHORT = 60
const OVERSCAN = 10
const long = computed(() => props.rows.length > SHORT)
const box = useTemplateRef<HTMLElement>('box')
const offset = ref(0)
// a list that is short, or not long yet, is not measured: that would make the page lay itself out
watch(
  box,
  element => {
    if (!element) return
    const top = props.pane?.getBoundingClientRect().top ?? -window.scrollY
    offset.value = element.getBoundingClientRect().top - top + (props.pane?.scrollTop ?? 0)
  },
  { flush: 'post' },
)

const options = computed(() => ({
  count: long.value ? props.rows.length : 0,
  estimateSize: () => props.height,
  overscan: OVERSCAN,
  scrollMargin: offset.value,
  getItemKey: (index: number) => props.keyOf(props.rows[index]!),
}))
const inPane = useVirtualizer(computed(() => ({ ...options.value, getScrollElement: () => props.pane })))
const inWindow = useWindowVirtualizer(options)
const virtual = computed(() => (props.pane ? inPane.value : inWindow.value))
const measure = (element: unknown) => {
  if (element instanceof Element) virtual.value.measureElement(element)
}
</script>

<template>
  <div v-if="!long">
    <template v-for="(row, index) in rows" :key="keyOf(row)"><slot :row="row" :index="index" /></template>
  </div>
  <div v-else ref="box" :style="{ height: `${virtual.getTotalSize()}px`, position: 'relative' }">
    <div
      v-for="item in virtual.getVirtualItems()"
      :key="item.key as string"
      :ref="measure"
      :data-index="item.index"
      :style="{ position: 'absolute', insetInline: 0, top: 0, transform: `translateY(${item.start - offset}px)` }"
    >
      <slot :row="rows[item.index]!" :index="item.index" />
    </div>
  </div>
</template>
