<script setup lang="ts">
const shell = useShell()
const keys = [
  ...SCREENS.map(s => ({ keys: ['G', s.key.toUpperCase()], does: `Go to ${s.label}` })),
  { keys: ['/'], does: 'Search tags, species, screens' },
  { keys: ['L'], does: 'Write a log line' },
  { keys: ['W'], does: 'What-if, on Season' },
  { keys: ['J', 'K'], does: 'Next and previous line, on Round' },
  { keys: ['?'], does: 'This list' },
  { keys: ['Esc'], does: 'Close what is open' },
]
</script>

<template>
  <UModal v-model:open="shell.keys.value" title="Keys" description="Everything also works by button and by thumb">
    <template #body>
      <dl class="keys">
        <template v-for="k in keys" :key="k.does">
          <dt><UKbd v-for="key in k.keys" :key="key" :value="key" class="mr-1" /></dt>
          <dd>{{ k.does }}</dd>
        </template>
      </dl>
    </template>
  </UModal>
</template>

<style scoped>
.keys {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 0.5rem 1.5rem;
}
</style>
