<script setup lang="ts">
const house = useHouse()
await house.load()
</script>

<!-- prettier-ignore -->
<template>
  <UApp :toaster="{ position: 'bottom-center', duration: 7000 }">
    <NuxtLayout>
      <NuxtPage />
    </NuxtLayout>
  </UApp>
</template>
