<script setup lang="ts">
import type { Feeder, Species } from '#core/almanac'

/** All species and feeders, found by a word or by what they are. */
const chosen = defineModel<string>({ required: true })
const emit = defineEmits<{ find: [word: string] }>()
const house = useHouse()
const word = ref('')
const kind = ref('all')
const KINDS = [
  { value: 'all', label: 'All' },
  { value: 'here', label: 'Kept in this house' },
  { value: 'snake', label: 'Snakes' },
  { value: 'lizard', label: 'Lizards' },
  { value: 'tortoise', label: 'Tortoises and turtles' },
  { value: 'frog', label: 'Frogs and salamanders' },
  { value: 'feeder', label: 'Feeders' },
  { value: 'borrowed', label: 'Mostly borrowed' },
  { value: 'set', label: 'Nothing borrowed' },
  { value: 'unknown', label: 'Something not known' },
  { value: 'own', label: 'Of this house' },
]

const kept = computed(() => {
  const animals = Object.values(house.house.animals).filter(a => a.status === 'alive')
  const prey = [...Object.values(house.house.cultures).map(c => c.feederId), ...Object.keys(house.house.stocks)]
  return new Set([...animals.map(a => a.speciesId), ...prey])
})
const isOwn = (id: string) => id in house.house.species || id in house.house.feeders

const fits = (row: Species | Feeder) =>
  `${row.name} ${row.latin ?? ''}`.toLowerCase().includes(word.value.trim().toLowerCase())
const species = computed(() =>
  house.speciesSorted.filter(s => {
    if (!fits(s)) return false
    if (kind.value === 'here') return kept.value.has(s.id)
    if (kind.value === 'own') return isOwn(s.id)
    if (kind.value === 'unknown') return unknownParts(s).some(p => p.matters)
    if (kind.value === 'borrowed' || kind.value === 'set') {
      const { borrowed, all } = countMarks(s)
      return kind.value === 'set' ? borrowed === 0 : borrowed > all / 2
    }
    return kind.value === 'all' || kind.value === s.group
  }),
)
/** Numbers that hold for every species, found by their own words. */
const numbers = computed(() => {
  const asked = word.value.trim().toLowerCase()
  if (kind.value !== 'all' || asked.length < 3) return 0
  return commonSections(house.almanac)
    .flatMap(([, rows]) => rows)
    .filter(row => rowSays(row, asked)).length
})
function openNumbers(): void {
  emit('find', numbers.value ? word.value.trim() : '')
  chosen.value = EVERY
}
const feeders = computed(() =>
  Object.values(house.almanac.feeders).filter(
    f =>
      fits(f) &&
      (kind.value === 'all' ||
        kind.value === 'feeder' ||
        (kind.value === 'here' && kept.value.has(f.id)) ||
        (kind.value === 'own' && isOwn(f.id))),
  ),
)
</script>

<template>
  <nav aria-label="Almanac">
    <div class="find">
      <UInput
        v-model="word"
        icon="i-lucide-search"
        placeholder="Find"
        aria-label="Find a species or feeder"
        class="w-full"
      />
      <USelect v-model="kind" :items="KINDS" aria-label="Show" class="w-full" />
    </div>
    <div class="lists">
      <ul v-if="numbers || (kind === 'all' && !word.trim())">
        <li>
          <button
            type="button"
            :class="{ here: chosen === EVERY }"
            :aria-current="chosen === EVERY ? 'true' : undefined"
            @click="openNumbers"
          >
            Numbers for every species<span v-if="numbers" class="quiet small">{{ ` ${numbers} so called` }}</span>
          </button>
        </li>
      </ul>
      <h2 v-if="species.length">Species</h2>
      <ul>
        <li v-for="s in species" :key="s.id">
          <button
            type="button"
            :class="{ here: chosen === s.id, type: s.typeOf }"
            :aria-current="chosen === s.id ? 'true' : undefined"
            @click="chosen = s.id"
          >
            {{ s.name }}<span v-if="s.retired && !house.onlyAnimalOf(s.id)" class="quiet small"> retired</span>
          </button>
        </li>
      </ul>
      <h2 v-if="feeders.length">Feeders</h2>
      <ul>
        <li v-for="f in feeders" :key="f.id">
          <button
            type="button"
            :class="{ here: chosen === f.id }"
            :aria-current="chosen === f.id ? 'true' : undefined"
            @click="chosen = f.id"
          >
            {{ f.name }}<span v-if="f.retired" class="quiet small"> retired</span>
          </button>
        </li>
      </ul>
      <p v-if="!species.length && !feeders.length && !numbers" class="quiet small">Nothing here is called that.</p>
    </div>
  </nav>
</template>

<style scoped>
nav {
  display: flex;
  flex-direction: column;
  max-height: calc(100dvh - 11rem);
  position: sticky;
  top: 1rem;
}
.find {
  display: grid;
  gap: 0.375rem;
  padding: 0.125rem 0.125rem 0.75rem;
}
.lists {
  overflow-y: auto;
}
ul {
  margin-bottom: 1rem;
}
button {
  width: 100%;
  text-align: left;
  padding: 0.25rem 0.5rem;
  border-radius: 4px;
}
button:hover {
  background: var(--ui-bg-elevated);
}
.here {
  background: var(--ui-bg-accented);
  font-weight: 650;
}
.type {
  padding-left: 1.25rem;
}
@media (max-width: 800px) {
  nav {
    position: static;
    max-height: 18rem;
    border-bottom: 1px solid var(--ui-border);
  }
  .lists button {
    min-height: 2.75rem;
  }
}
</style>
