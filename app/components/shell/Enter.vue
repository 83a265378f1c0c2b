<script setup lang="ts">
import type { AccessView } from '#shared/contracts/access'

/** The passphrase, asked for where the house is reached from another machine. What is open behind it stays. */
const house = useHouse()
const passphrase = ref('')
const problem = ref('')
const busy = ref(false)

async function enter(): Promise<void> {
  busy.value = true
  problem.value = ''
  try {
    await callApi<AccessView>('/api/access', { method: 'POST', body: { passphrase: passphrase.value } })
    passphrase.value = ''
    await house.load()
  } catch (error) {
    problem.value =
      error instanceof ApiProblem && error.unanswered
        ? 'The house does not answer. Is Mantel still running?'
        : error instanceof Error
          ? error.message
          : String(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <div class="enter" role="dialog" aria-modal="true" aria-labelledby="enter-title">
    <form @submit.prevent="enter">
      <h1 id="enter-title">Come in with the passphrase of this house</h1>
      <UFormField label="Passphrase" :error="problem || undefined"
        ><UInput
          v-model="passphrase"
          type="password"
          autocomplete="current-password"
          autofocus
          size="lg"
          class="w-full"
      /></UFormField>
      <UButton
        type="submit"
        label="Come in"
        size="lg"
        :loading="busy"
        :disabled="!passphrase"
        class="justify-self-start"
      />
      <p class="quiet small">
        It was set on the machine that runs Mantel. Forgotten? Set another there: npm run passphrase
      </p>
    </form>
  </div>
</template>

<style scoped>
.enter {
  position: fixed;
  inset: 0;
  z-index: 60;
  background: var(--ui-bg);
  display: grid;
  place-items: center;
  padding: 1.5rem;
}
form {
  display: grid;
  gap: 1rem;
  width: min(24rem, 100%);
}
</style>
