<script setup lang="ts">
import type { AnimalState } from '#core/subjects'

/** What an animal is: how it eats, its sex, its genes, its line. */
defineProps<{ animal: AnimalState; view: 'eating' | 'sex' | 'genes' | 'lineage' }>()
</script>

<template>
  <section class="background" aria-label="What it is">
    <AnimalsEating v-if="view === 'eating'" :animal="animal" />
    <SexingSheet v-else-if="view === 'sex'" :animal="animal" />
    <GenesSheet v-else-if="view === 'genes'" :animal="animal" />
    <LineageSheet v-else :animal="animal" />
  </section>
</template>
