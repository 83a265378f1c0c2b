<script setup lang="ts">
import type { Row } from '~/composables/almanacRows'

/** Numbers under their names; each can be set otherwise where it stands. */
const props = defineProps<{
  rows: Row[]
  /** The same of another species, to stand beside; what it does not have is left open. */
  beside?: { name: string; rows: Row[] }
}>()
const other = computed(() => new Map(props.beside?.rows.map(r => [r.label, r.numbers.map(n => n.value).join(' · ')])))
const own = computed(() => new Set(props.rows.map(r => r.label)))
const further = computed(() => props.beside?.rows.filter(r => !own.value.has(r.label)) ?? [])
</script>

<template>
  <table class="plain">
    <thead v-if="beside">
      <tr>
        <td />
        <td />
        <td />
        <th scope="col">{{ beside.name }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in rows" :key="row.label">
        <td>{{ row.label }}</td>
        <td>
          <span class="numbers"><AlmanacNumber v-for="n in row.numbers" :key="n.path" v-bind="n" /></span>
        </td>
        <td class="quiet">{{ row.unit }}</td>
        <td v-if="beside">{{ other.get(row.label) ?? '–' }}</td>
      </tr>
      <tr v-for="row in further" :key="`b${row.label}`">
        <td>{{ row.label }}</td>
        <td>–</td>
        <td class="quiet">{{ row.unit }}</td>
        <td>{{ row.numbers.map(n => n.value).join(' · ') }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.numbers {
  display: flex;
  gap: 1rem;
  flex-wrap: wrap;
}
td:first-child {
  width: 46%;
}
th {
  text-align: left;
  font-weight: 600;
}
</style>
