<script setup lang="ts">
/** A menu to pick from whose name tells what is picked, for ears as for eyes. */
const props = defineProps<{
  name: string
  items: { value: string; label: string }[]
  modelValue?: string | string[]
  placeholder?: string
  multiple?: boolean
  /** What leaves it unsaid again is called so. */
  unsaid?: string
}>()
const emit = defineEmits<{ 'update:modelValue': [value: never] }>()

/** Leaves it unsaid again, by keyboard as by thumb. */
const NOTHING = 'nothing picked'
const offered = computed(() =>
  props.unsaid && props.modelValue ? [{ value: NOTHING, label: props.unsaid }, ...props.items] : props.items,
)
const shown = computed(() => {
  const picked = [props.modelValue ?? []].flat()
  const labels = props.items.filter(i => picked.includes(i.value)).map(i => i.label)
  return labels.length ? labels.join(', ') : (props.placeholder ?? '')
})
</script>

<template>
  <USelectMenu
    :items="offered"
    value-key="value"
    :model-value="modelValue as never"
    :multiple="multiple"
    :placeholder="placeholder"
    :aria-label="`${name}: ${shown}`"
    @update:model-value="emit('update:modelValue', ($event === NOTHING ? undefined : $event) as never)"
  />
</template>
