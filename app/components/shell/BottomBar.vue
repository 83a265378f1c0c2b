<script setup lang="ts">
const shell = useShell()
const route = useRoute()
const main = SCREENS.filter(s => ['/round', '/season', '/animals'].includes(s.to))
watch(
  () => route.path,
  () => {
    shell.more.value = false
  },
)
</script>

<!-- prettier-ignore -->
<template>
  <nav class="bar" aria-label="Screens">
    <NuxtLink v-for="screen in main.slice(0, 2)" :key="screen.to" :to="screen.to" active-class="here"><UIcon :name="screen.icon" class="size-5" />{{ screen.label }}</NuxtLink>
    <button type="button" @click="shell.log.value = true"><UIcon name="i-lucide-pencil-line" class="size-5" />Log</button>
    <NuxtLink :to="main[2]!.to" active-class="here"><UIcon :name="main[2]!.icon" class="size-5" />{{ main[2]!.label }}</NuxtLink>
    <button type="button" :aria-expanded="shell.more.value" @click="shell.more.value = true"><UIcon name="i-lucide-menu" class="size-5" />More</button>
    <USlideover v-model:open="shell.more.value" side="bottom" title="More" description="All screens, search and theme">
      <template #body>
        <ul class="more">
          <li v-for="screen in SCREENS.filter(s => !main.includes(s))" :key="screen.to"><NuxtLink :to="screen.to"><UIcon :name="screen.icon" class="size-5" />{{ screen.label }}</NuxtLink></li>
        </ul>
        <div class="flex items-center gap-4 mt-4">
          <UButton variant="outline" color="neutral" icon="i-lucide-search" label="Search" @click="shell.more.value = false; shell.search.value = true" />
          <ShellThemeSwitch />
        </div>
      </template>
    </USlideover>
  </nav>
</template>

<style scoped>
.bar {
  display: none;
}
.more {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.25rem;
}
.more a {
  display: flex;
  gap: 0.625rem;
  align-items: center;
  min-height: 2.75rem;
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
