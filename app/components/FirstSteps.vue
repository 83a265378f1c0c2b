<script setup lang="ts">
/** An empty house says how to begin. */
</script>

<!-- prettier-ignore -->
<template>
  <section class="first">
    <h2>This house is empty. Begin here.</h2>
    <ol>
      <li><NuxtLink to="/settings">Name the house</NuxtLink> and set its time zone and culture day.</li>
      <li><NuxtLink to="/places">Add places</NuxtLink>: a room, its racks and tubs, the incubator with its temperature.</li>
      <li><NuxtLink to="/animals">Add animals</NuxtLink>, each with the tag on its tub.</li>
      <li>Set pairs on a female’s page; start or enter cultures under <NuxtLink to="/feeders">Feeders</NuxtLink>.</li>
    </ol>
    <p class="quiet mt-3">From then on write what happens, here or in the log line: <span class="tag">K-01 312 g</span>. Season and Round follow from it.</p>
  </section>
</template>

<style scoped>
.first {
  max-width: 40rem;
  padding-top: 0.5rem;
}
ol {
  list-style: decimal;
  padding-left: 1.25rem;
  margin-top: 0.75rem;
  display: grid;
  gap: 0.5rem;
}
a {
  text-decoration: underline;
  color: var(--ui-primary);
}
</style>
