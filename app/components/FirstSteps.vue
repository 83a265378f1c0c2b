<script setup lang="ts">
/** An empty house says how to begin. */
</script>

<template>
  <section class="first">
    <h2>This house is empty.</h2>
    <p class="mt-1">Five short steps lead to a first forecast; each can be left out, and found again under Settings.</p>
    <UButton to="/begin" label="Begin with this house" icon="i-lucide-arrow-right" class="mt-3" />
    <p class="quiet mt-3">
      From then on write what happens, here or in the log line: <span class="tag">K-01 312 g</span>. Season and Round
      follow from it.
    </p>
  </section>
</template>

<style scoped>
.first {
  max-width: 40rem;
  padding-top: 0.5rem;
}
</style>
