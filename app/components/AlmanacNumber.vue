<script setup lang="ts">
import { createReusableTemplate } from '@vueuse/core'
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
const [DefineButton, ReuseButton] = createReusableTemplate({ inheritAttrs: true })
const house = useHouse()
const open = ref(false)
/** A sheet has hundreds of numbers, and few are pressed: what opens at one is made when it is. */
const pressed = ref(false)
const text = ref('')
const { problem, refusal } = useRefusalText()
const { record, busy } = useRecord()

const MARKS: Record<Mark, { word: string; full: string }> = {
  practice: { word: 'practice', full: 'Common practice, no source' },
  published: { word: 'published', full: 'Published' },
  memory: { word: 'memory', full: 'From memory; a starting value to be checked' },
  borrowed: { word: 'borrowed', full: 'Borrowed from a relative' },
  own: { word: 'yours', full: 'Your own number' },
}
/** It was asked for from a working that rests on it. */
const route = useRoute()
const sought = computed(() => typeof route.query.at === 'string' && props.path.startsWith(route.query.at))
const own = computed(() => house.snapshot?.overrides.some(o => o.path === props.path))
watch(open, is => {
  if (is) text.value = String(props.value)
  problem.value = ''
})

/** A number that is not one: as it is, the server says so beside the field. */
const asNumber = (written: string) => (written.trim() === '' ? null : Number(written.replace(',', '.')))
async function write(kind: string, data: Record<string, unknown>, says: string): Promise<void> {
  problem.value = ''
  const wish = { kind, subject: { type: 'number' as const, id: props.path }, data }
  if (await record(wish, `${props.label}: ${says}`, refusal)) open.value = false
}
const keep = () => write('numberSet', { value: asNumber(text.value) }, `${text.value} ${props.unit}`)
const putBack = () => write('numberDropped', {}, 'put back')
</script>

<template>
  <DefineButton>
    <button type="button" class="number" :class="{ sought }" aria-haspopup="dialog" :data-path="path">
      <span class="sr-only">{{ label }}: </span><b>{{ value }}</b
      ><span class="sr-only"> {{ unit }},</span> <span class="mark" :class="mark">{{ MARKS[mark].word }}</span>
    </button>
  </DefineButton>
  <ReuseButton v-if="!pressed" @click="pressed = open = true" />
  <UPopover v-else v-model:open="open">
    <ReuseButton />
    <template #content>
      <form class="grid gap-3 p-4 w-72" @submit.prevent="keep">
        <p class="small">
          <b>{{ from ? `Borrowed from ${from}` : MARKS[mark].full }}</b><template v-if="source"
            >. {{ house.almanac.sources[source] ?? source }}</template
          ><template v-if="note">. {{ note }}</template>
        </p>
        <UFormField :label="label" :hint="unit" :error="problem || undefined"
          ><UInput v-model="text" inputmode="decimal" class="w-full"
        /></UFormField>
        <div class="flex gap-2">
          <UButton type="submit" label="Set my number" :loading="busy" /><UButton
            v-if="own"
            label="Put back"
            variant="outline"
            color="neutral"
            :disabled="busy"
            @click="putBack"
          />
        </div>
      </form>
    </template>
  </UPopover>
</template>

<style scoped>
.number {
  text-decoration: underline dotted var(--ui-text-dimmed);
  text-underline-offset: 0.2em;
  cursor: pointer;
  text-align: left;
}
.sought {
  outline: 2px solid var(--ui-primary);
  outline-offset: 3px;
  border-radius: 2px;
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
