<script setup lang="ts">
import type { NuxtError } from '#app'

defineProps<{ error: NuxtError }>()
</script>

<template>
  <main class="screen">
    <h1>{{ error.status === 404 ? 'There is nothing at this address' : 'Mantel could not go on' }}</h1>
    <p class="quiet mt-2">{{ error.message }}</p>
    <p class="mt-4"><a href="/round" class="underline">Back to the Round</a></p>
  </main>
</template>
