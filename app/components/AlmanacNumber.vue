<script setup lang="ts">
import type { Mark } from '#core/almanac'

/** One number of the almanac with where it came from; it can be set otherwise, and put back. */
const props = defineProps<{
  label: string
  path: string
  value: number
  unit: string
  mark: Mark
  source?: string
  note?: string
  /** The relative that it is borrowed from. */
  from?: string
}>()
const house = useHouse()
const open = ref(false)
const text = ref('')
const problem = ref('')

const MARKS: Record<Mark, { word: string; full: string }> = {
  practice: { word: 'practice', full: 'Common practice, no source' },
  published: { word: 'published', full: 'Published' },
  memory: { word: 'memory', full: 'From memory; a starting value to be checked' },
  borrowed: { word: 'borrowed', full: 'Borrowed from a relative' },
  own: { word: 'yours', full: 'Your own number' },
}
const own = computed(() => house.snapshot?.overrides.some(o => o.path === props.path))
watch(open, is => {
  if (is) text.value = String(props.value)
  problem.value = ''
})

async function change(call: () => Promise<unknown>): Promise<void> {
  try {
    await call()
    await house.load()
    open.value = false
  } catch (error) {
    problem.value = error instanceof Error ? error.message : String(error)
  }
}
const keep = () =>
  change(() =>
    callApi('/api/almanac/overrides', {
      method: 'PUT',
      body: { path: props.path, value: Number(text.value.replace(',', '.')) },
    }),
  )
const putBack = () =>
  change(() => callApi(`/api/almanac/overrides?path=${encodeURIComponent(props.path)}`, { method: 'DELETE' }))
</script>

<!-- prettier-ignore -->
<template>
  <UPopover v-model:open="open">
    <button
      type="button" class="number" :data-path="path"
    ><span class="sr-only">{{ label }}: </span><b>{{ value }}</b><span class="sr-only"> {{ unit }},</span> <span
      class="mark" :class="mark"
    >{{ MARKS[mark].word }}</span></button>
    <template #content>
      <form class="grid gap-3 p-4 w-72" @submit.prevent="keep">
        <p class="small"><b>{{ from ? `Borrowed from ${from}` : MARKS[mark].full }}</b><template v-if="source">. {{ house.almanac.sources[source] ?? source }}</template><template v-if="note">. {{ note }}</template></p>
        <UFormField
          :label="label" :hint="unit" :error="problem || undefined"
        ><UInput v-model="text" inputmode="decimal" class="w-full" /></UFormField>
        <div class="flex gap-2"><UButton type="submit" label="Set my number" /><UButton
          v-if="own" label="Put back" variant="outline" color="neutral" @click="putBack"
        /></div>
      </form>
    </template>
  </UPopover>
</template>

<style scoped>
.number {
  text-decoration: underline dotted var(--ui-text-dimmed);
  text-underline-offset: 0.2em;
  cursor: pointer;
}
.mark {
  font-size: 0.8125rem;
  color: var(--ui-text-muted);
}
.own {
  color: var(--ui-primary);
  font-weight: 600;
}
.borrowed {
  font-style: italic;
}
</style>
