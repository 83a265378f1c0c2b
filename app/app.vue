<script setup lang="ts">
const house = useHouse()
await house.load()
const { narrow } = useNarrow()
// beside what is being done and one at a time, so that no tap meant for a form takes something back
const toaster = computed(() => ({
  position: narrow.value ? ('bottom-center' as const) : ('bottom-left' as const),
  duration: 7000,
  expand: false,
}))
</script>

<template>
  <UApp :toaster="toaster">
    <NuxtLayout>
      <NuxtPage />
    </NuxtLayout>
  </UApp>
</template>
