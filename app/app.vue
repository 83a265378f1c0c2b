<script setup lang="ts">
import { ConfigProvider } from 'reka-ui'

const house = useHouse()
await house.load()
const { narrow } = useNarrow()
const { toasts } = useToast()
/** What tells is there from the first time that there is anything to tell. */
const tells = ref(false)
watchEffect(() => {
  tells.value ||= toasts.value.length > 0
})
// beside what is being done and one at a time, so that no tap meant for a form takes something back
const position = computed(() => (narrow.value ? 'bottom-center' : 'bottom-left'))
</script>

<template>
  <ConfigProvider :use-id="() => useId()">
    <NuxtLayout>
      <NuxtPage />
    </NuxtLayout>
    <LazyUToaster v-if="tells" :position="position" :duration="7000" :progress="false" :expand="false" />
  </ConfigProvider>
</template>
