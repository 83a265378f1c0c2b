<script setup lang="ts">
const house = useHouse()
const shell = useShell()
const groups = [0, 1, 2].map(g => SCREENS.filter(s => s.group === g))
</script>

<template>
  <nav class="rail" aria-label="Screens">
    <p class="name">
      <img src="/mark.svg" alt="" width="26" height="26" />
      <span>{{ house.snapshot ? house.settings.houseName : 'Mantel' }}</span>
    </p>
    <ul v-for="(group, i) in groups" :key="i">
      <li v-for="screen in group" :key="screen.to">
        <NuxtLink :to="screen.to" active-class="here">
          <UIcon :name="screen.icon" class="size-4.5" /> {{ screen.label }}
        </NuxtLink>
      </li>
    </ul>
    <div class="foot">
      <UButton
        variant="ghost"
        color="neutral"
        icon="i-lucide-search"
        label="Search"
        block
        class="justify-start"
        @click="shell.search.value = true"
      />
      <UButton
        variant="ghost"
        color="neutral"
        icon="i-lucide-keyboard"
        label="Keys"
        block
        class="justify-start"
        @click="shell.keys.value = true"
      />
      <ShellThemeSwitch />
    </div>
  </nav>
</template>

<style scoped>
.rail {
  position: sticky;
  top: 0;
  height: 100dvh;
  overflow-y: auto;
  display: flex;
  flex-direction: column;
  padding: 1rem 0.75rem;
  border-right: 1px solid var(--ui-border);
  background: var(--ui-bg-muted);
}
.name {
  display: flex;
  align-items: center;
  gap: 0.5rem;
  font-weight: 700;
  color: var(--ui-text-highlighted);
  padding: 0 0.5rem 0.75rem;
}
ul {
  padding: 0.375rem 0;
}
ul + ul {
  border-top: 1px solid var(--ui-border);
}
a {
  display: flex;
  align-items: center;
  gap: 0.625rem;
  padding: 0.4375rem 0.5rem;
  border-radius: 4px;
  color: var(--ui-text-toned);
}
a:hover {
  background: var(--ui-bg-elevated);
}
a.here {
  color: var(--ui-text-highlighted);
  font-weight: 650;
  background: var(--ui-bg-accented);
}
.foot {
  margin-top: auto;
  padding-top: 1rem;
}
@media (max-width: 800px) {
  .rail {
    display: none;
  }
}
</style>
