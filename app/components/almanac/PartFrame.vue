<script setup lang="ts">
import type { Feeder, Species } from '#core/almanac'

/** Where parts of a species or feeder are set: what is asked, what it would move, and the way back. */
const props = defineProps<{
  of: 'species' | 'feeder'
  row: Species | Feeder
  title: string
  description: string
  parts: readonly string[]
  /** The parts as they would stand. */
  said: () => Record<string, unknown>
  says: string
  button: string
  /** What is asked for and not given. */
  missing?: readonly string[]
}>()
const open = defineModel<boolean>('open', { required: true })
const { save, putBack, facts, isOwn, problem, busy } = usePartChange(props.of, () => props.row)
function send(): void {
  const said = props.said()
  problem.value = props.missing?.length
    ? `Still to fill in: ${props.missing.join(', ')}`
    : Object.keys(said).length
      ? ''
      : 'Nothing is changed'
  if (!problem.value) void close(save(said, `${props.says} set`))
}
async function close(written: Promise<boolean>): Promise<void> {
  if (await written) open.value = false
}
</script>

<template>
  <USlideover v-model:open="open" :title="title" :description="description" :ui="{ content: 'sm:max-w-2xl' }">
    <template #body>
      <form class="grid gap-4" @submit.prevent="send">
        <slot />
        <AlmanacMoves v-if="of === 'species'" :facts="() => facts(said())" />
        <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
        <div class="flex gap-2">
          <UButton type="submit" :label="button" :loading="busy" />
          <UButton
            v-if="isOwn(parts)"
            label="Put back"
            variant="outline"
            color="neutral"
            :disabled="busy"
            @click="close(putBack(parts, `${says} put back`))"
          />
        </div>
      </form>
    </template>
  </USlideover>
</template>
