<script setup lang="ts">
const mode = useColorMode()
const themes = [
  { value: 'light', label: 'Paper', icon: 'i-lucide-sun' },
  { value: 'dark', label: 'Dark', icon: 'i-lucide-moon' },
  { value: 'night', label: 'Night lamp', icon: 'i-lucide-flashlight' },
]
</script>

<template>
  <div class="themes" role="group" aria-label="Theme">
    <UButton
      v-for="theme in themes"
      :key="theme.value"
      :icon="theme.icon"
      :aria-label="theme.label"
      :title="theme.label"
      :aria-pressed="mode.value === theme.value"
      :variant="mode.value === theme.value ? 'subtle' : 'ghost'"
      color="neutral"
      @click="mode.preference = theme.value"
    />
  </div>
</template>

<style scoped>
.themes {
  display: flex;
  gap: 0.25rem;
  margin-top: 0.5rem;
}
</style>
