<script setup lang="ts">
await navigateTo('/round', { replace: true })
</script>

<!-- prettier-ignore -->
<template>
  <div />
</template>
