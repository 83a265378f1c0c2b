<script setup lang="ts">
const shell = useShell()
/** What is under More is there from its first use on. */
const asked = ref(false)
watchEffect(() => {
  asked.value ||= shell.more.value
})
const main = SCREENS.filter(s => IN_BAR.includes(s.to))
</script>

<template>
  <nav class="bar" aria-label="Screens">
    <NuxtLink v-for="screen in main.slice(0, 2)" :key="screen.to" :to="screen.to" active-class="here"
      ><UIcon :name="screen.icon" class="size-5" />{{ screen.label }}</NuxtLink
    >
    <button type="button" @click="shell.log.value = true">
      <UIcon name="i-lucide-pencil-line" class="size-5" />Log
    </button>
    <NuxtLink :to="main[2]!.to" active-class="here"
      ><UIcon :name="main[2]!.icon" class="size-5" />{{ main[2]!.label }}</NuxtLink
    >
    <button type="button" :aria-expanded="shell.more.value" @click="shell.more.value = true">
      <UIcon name="i-lucide-menu" class="size-5" />More
    </button>
    <LazyShellMore v-if="asked" />
  </nav>
</template>

<style scoped>
.bar {
  display: none;
}
@media (max-width: 800px) {
  .bar {
    position: fixed;
    inset: auto 0 0;
    z-index: 20;
    display: grid;
    grid-template-columns: repeat(5, 1fr);
    background: var(--ui-bg-muted);
    border-top: 1px solid var(--ui-border-accented);
    padding-bottom: env(safe-area-inset-bottom);
  }
  .bar > a,
  .bar > button {
    display: flex;
    flex-direction: column;
    align-items: center;
    justify-content: center;
    gap: 0.125rem;
    min-height: 3.5rem;
    font-size: 0.8125rem;
    color: var(--ui-text-toned);
  }
  .here {
    color: var(--ui-primary) !important;
    font-weight: 650;
  }
}
</style>
