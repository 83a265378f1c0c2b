<script setup lang="ts">
import { schoolKey, type School } from '#core/almanac'

/** Species that answer a school's question otherwise than the house does. */
const props = defineProps<{ school: School }>()
const chosen = defineModel<Record<string, string>>({ required: true })
const house = useHouse()
const speciesId = ref<string>()

const own = computed(() =>
  Object.entries(chosen.value)
    .filter(([key]) => key.startsWith(`${props.school.id}@`))
    .map(([key, choice]) => ({ key, speciesId: key.slice(props.school.id.length + 1), choice })),
)
const species = computed(() =>
  Object.values(house.almanac.species)
    .filter(s => s.winter !== 'none' && !own.value.some(o => o.speciesId === s.id))
    .map(s => ({ value: s.id, label: s.name })),
)
const choices = computed(() => props.school.choices.map(c => ({ value: c.id, label: c.name })))

function set(id: string, choice: string): void {
  chosen.value[schoolKey(props.school.id, id)] = choice
}
function add(id: string | undefined): void {
  if (!id) return
  set(id, chosen.value[props.school.id] ?? props.school.usual)
  speciesId.value = undefined
}
function drop(key: string): void {
  chosen.value = Object.fromEntries(Object.entries(chosen.value).filter(([k]) => k !== key))
}
</script>

<template>
  <div class="own">
    <p v-for="o in own" :key="o.key">
      <span>{{ house.speciesName(o.speciesId) }}</span>
      <USelect
        :model-value="o.choice"
        :items="choices"
        size="sm"
        class="w-56"
        :aria-label="`${school.question} ${house.speciesName(o.speciesId)}`"
        @update:model-value="set(o.speciesId, String($event))"
      />
      <UButton
        label="As the house"
        size="xs"
        variant="ghost"
        color="neutral"
        :aria-label="`${house.speciesName(o.speciesId)}: as the house`"
        @click="drop(o.key)"
      />
    </p>
    <USelectMenu
      v-model="speciesId"
      :items="species"
      value-key="value"
      size="sm"
      class="w-56"
      placeholder="One species otherwise …"
      :aria-label="`${school.question} One species otherwise`"
      @update:model-value="add($event)"
    />
  </div>
</template>

<style scoped>
.own {
  display: grid;
  gap: 0.375rem;
  padding: 0.25rem 0 0.5rem 1.75rem;
  justify-items: start;
}
.own p {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  align-items: center;
}
</style>
