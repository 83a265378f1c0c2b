<script setup lang="ts">
import type { AccessView } from '#shared/contracts/access'

/** Where one came in with the passphrase: the way out, on a machine that others use too. */
const house = useHouse()
const access = shallowRef<AccessView | null>(null)
const problem = ref('')
onMounted(async () => {
  access.value = await callApi<AccessView>('/api/access').catch(() => null)
})

async function leave(): Promise<void> {
  try {
    await callApi<AccessView>('/api/access', { method: 'DELETE' })
    house.locked = true
  } catch (error) {
    problem.value = error instanceof Error ? error.message : String(error)
  }
}
</script>

<template>
  <section v-if="access?.closed" class="out" aria-label="Access">
    <p class="quiet small">You came in with the passphrase; this browser stays in for 30 days.</p>
    <p v-if="problem" role="alert">{{ problem }}</p>
    <UButton
      label="Log out"
      icon="i-lucide-log-out"
      variant="outline"
      color="neutral"
      class="justify-self-start"
      @click="leave"
    />
  </section>
</template>

<style scoped>
.out {
  display: grid;
  gap: 0.5rem;
  margin-top: 2rem;
}
</style>
