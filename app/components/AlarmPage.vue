<script setup lang="ts">
/** Goes to the page of what an alarm is about. */
defineProps<{ to: string; name?: string }>()
</script>

<template>
  <NuxtLink :to="to" class="underline whitespace-nowrap" :aria-label="`Open its page: ${name ?? ''}`"
    >Open its page</NuxtLink
  >
</template>
