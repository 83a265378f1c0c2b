<script setup lang="ts">
await navigateTo('/round', { replace: true })
</script>

<template>
  <div />
</template>
