<script setup lang="ts">
import { NO_CAUSE, troubleOf } from '#core/season'
import type { CultureState } from '#core/subjects'
import { upperFirst } from '#core/units'

/** What was found in a culture, and what it may come from: one cause after the other is looked at. */
const props = defineProps<{ culture: CultureState; trouble: CultureState['troubles'][number] }>()
const house = useHouse()
const { record, busy } = useRecord()
const found = computed(() => troubleOf(props.culture, props.trouble, house))
const block = useTemplateRef<HTMLElement>('block')
async function follow(says: 'not' | 'is' | 'over', of?: string, name = 'over'): Promise<void> {
  const card = block.value?.closest('[data-culture]')
  await record(
    {
      kind: 'troubleFollowed',
      subject: { type: 'culture', id: props.culture.id },
      data: { of: props.trouble.entryId, says, ...(of && { cause: of }) },
    },
    `${props.culture.tag}: ${says === 'not' ? `not ${name}` : name}`,
  )
  // to the next one to rule out, so that the same key does the same
  const find = (selector: string) => block.value?.querySelector<HTMLElement>(selector)
  await passFocus(() => find('ol .buttons button:last-child') ?? find('button.over') ?? card?.querySelector('button'))
}
</script>

<template>
  <div ref="block" class="trouble" :data-trouble="trouble.what">
    <p>
      <WorkingLink
        :title="`${culture.tag}: ${found.answer}`"
        :answer="found.answer"
        :reasons="found.reasons"
      /><template v-if="trouble.note">, {{ trouble.note }}</template
      >.
      <template v-if="found.cause"
        ><b>{{ upperFirst(found.cause.name) }}.</b> {{ found.cause.remedy }}</template
      ><template v-else-if="!found.causes.length">{{ upperFirst(NO_CAUSE) }}.</template>
      <template v-if="found.carriedTo.length">
        Founded from it, look at them too: {{ found.carriedTo.join(', ') }}.</template
      >
      <UButton
        class="over ml-2"
        label="It is over"
        variant="outline"
        color="neutral"
        :disabled="busy"
        @click="follow('over', undefined, 'it is over')"
      />
    </p>
    <ol v-if="!found.cause && found.causes.length" :aria-label="`What it may come from, ${culture.tag}`">
      <li v-for="c in found.causes" :key="c.id">
        <span class="what"
          ><b>{{ upperFirst(c.name) }}</b> <span class="quiet small">{{ Math.round(c.chance * 100) }} of 100</span
          ><br />{{ c.look }}</span
        >
        <span class="buttons">
          <UButton
            :aria-label="`That is it: ${c.name}`"
            label="That is it"
            variant="outline"
            :disabled="busy"
            @click="follow('is', c.id, c.name)"
          />
          <UButton
            :aria-label="`Not that: ${c.name}`"
            label="Not that"
            variant="outline"
            color="neutral"
            :disabled="busy"
            @click="follow('not', c.id, c.name)"
          />
        </span>
      </li>
    </ol>
  </div>
</template>

<style scoped>
.trouble {
  border-left: 3px solid var(--ui-border-accented);
  padding: 0.25rem 0 0.25rem 0.75rem;
  margin: 0.25rem 0 0.75rem;
  max-width: 52rem;
}
ol {
  margin-top: 0.375rem;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem 1rem;
  justify-content: space-between;
  align-items: center;
  padding: 0.375rem 0;
  border-top: 1px solid var(--ui-border);
}
.what {
  flex: 1 1 20rem;
}
.buttons {
  display: flex;
  gap: 0.375rem;
}
</style>
