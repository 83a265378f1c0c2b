<script setup lang="ts">
/** The screens that the bar of a phone has no room for. */
const shell = useShell()
const route = useRoute()
const inBar = ({ to }: { to: string }) => IN_BAR.includes(to)
watch(
  () => route.path,
  () => {
    shell.more.value = false
  },
)
function search(): void {
  shell.more.value = false
  shell.search.value = true
}
</script>

<template>
  <USlideover v-model:open="shell.more.value" side="bottom" title="More" description="All screens, search and theme">
    <template #body>
      <ul class="more">
        <li v-for="screen in SCREENS.filter(s => !inBar(s))" :key="screen.to">
          <NuxtLink :to="screen.to"><UIcon :name="screen.icon" class="size-5" />{{ screen.label }}</NuxtLink>
        </li>
      </ul>
      <div class="flex items-center gap-4 mt-4">
        <UButton variant="outline" color="neutral" icon="i-lucide-search" label="Search" @click="search" />
        <ShellThemeSwitch />
      </div>
    </template>
  </USlideover>
</template>

<style scoped>
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
</style>
