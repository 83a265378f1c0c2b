<script setup lang="ts">
import type { Row } from '~/composables/almanacSections'

/** Numbers under their names; each can be set otherwise where it stands. */
defineProps<{ rows: Row[] }>()
</script>

<!-- prettier-ignore -->
<template>
  <table class="plain">
    <tbody><tr
      v-for="row in rows" :key="row.label"
    ><td>{{ row.label }}</td><td><span class="numbers"><AlmanacNumber
      v-for="n in row.numbers" :key="n.path" v-bind="n"
    /></span></td><td class="quiet">{{ row.unit }}</td></tr></tbody>
  </table>
</template>

<style scoped>
.numbers {
  display: flex;
  gap: 1rem;
  flex-wrap: wrap;
}
td:first-child {
  width: 46%;
}
</style>
