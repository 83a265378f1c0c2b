<script setup lang="ts">
/** Asks before something is written that cannot well be true. */
const { shown } = useQuestion()
const open = computed({
  get: () => shown.value !== null,
  set: is => {
    if (!is) shown.value?.answer(false)
  },
})
</script>

<template>
  <!-- over the field (110) in which it was said -->
  <UModal
    v-model:open="open"
    title="Is this so?"
    :description="shown?.text ?? ''"
    :close="false"
    :ui="{ overlay: 'z-120', content: 'z-120' }"
  >
    <template #footer>
      <div class="flex flex-wrap gap-2">
        <UButton label="No, write nothing" size="lg" @click="shown?.answer(false)" />
        <UButton label="Yes, write it" size="lg" variant="outline" color="neutral" @click="shown?.answer(true)" />
      </div>
    </template>
  </UModal>
</template>
