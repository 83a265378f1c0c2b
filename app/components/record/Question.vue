<script setup lang="ts">
/** Asks before a weight is written that cannot well be true. */
const { shown } = useQuestion()
const open = computed({
  get: () => shown.value !== null,
  set: is => {
    if (!is) shown.value?.answer(false)
  },
})
</script>

<template>
  <UModal v-model:open="open" title="Is this so?" :description="shown?.text ?? ''" :close="false">
    <template #footer>
      <div class="flex flex-wrap gap-2">
        <UButton label="No, write nothing" size="lg" @click="shown?.answer(false)" />
        <UButton label="Yes, write it" size="lg" variant="outline" color="neutral" @click="shown?.answer(true)" />
      </div>
    </template>
  </UModal>
</template>
