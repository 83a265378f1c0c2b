<script setup lang="ts">
/** A note in the keeper's words, on the page of what it is about. */
const props = defineProps<{ write: (text: string) => Promise<boolean> }>()
const text = ref('')
const said = computed(() => text.value.trim())
async function send(): Promise<void> {
  if (said.value && (await props.write(said.value))) text.value = ''
}
</script>

<template>
  <form class="flex flex-wrap items-center gap-2" @submit.prevent="send">
    <UInput v-model="text" placeholder="Note" aria-label="Note" class="grow" maxlength="2000" />
    <UButton type="submit" label="Write note" variant="outline" color="neutral" :disabled="!said" />
  </form>
</template>
