<script setup lang="ts">
/** A line of a list: what is told, and what can be done about it. */
</script>

<template>
  <li>
    <p><slot /></p>
    <div class="do"><slot name="do" /></div>
  </li>
</template>

<style scoped>
li {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem 1rem;
  justify-content: space-between;
  align-items: center;
  padding: 0.3125rem 0;
  border-bottom: 1px solid var(--ui-border);
}
p {
  flex: 1 1 20rem;
}
.do {
  display: flex;
  flex-wrap: wrap;
  gap: 0.375rem;
}
</style>
