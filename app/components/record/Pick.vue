<script setup lang="ts">
/** A menu to pick from whose name tells what is picked, for ears as for eyes. */
const props = defineProps<{
  name: string
  items: { value: string; label: string }[]
  modelValue?: string | string[]
  placeholder?: string
  multiple?: boolean
}>()
const emit = defineEmits<{ 'update:modelValue': [value: never] }>()

const shown = computed(() => {
  const picked = [props.modelValue ?? []].flat()
  const labels = props.items.filter(i => picked.includes(i.value)).map(i => i.label)
  return labels.length ? labels.join(', ') : (props.placeholder ?? '')
})
</script>

<template>
  <USelectMenu
    :items="items"
    value-key="value"
    :model-value="modelValue as never"
    :multiple="multiple"
    :placeholder="placeholder"
    :aria-label="`${name}: ${shown}`"
    @update:model-value="emit('update:modelValue', $event as never)"
  />
</template>
