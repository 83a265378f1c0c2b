<script setup lang="ts">
import { tellNumbers } from '#core/subjects/group/numbers'

const house = useHouse()
const shell = useShell()
const router = useRouter()

interface Hit {
  label: string
  suffix?: string
  icon: string
  onSelect: () => void
}

const go = (to: string) => () => {
  shell.search.value = false
  void router.push(to)
}

const groups = computed(() => {
  if (!house.snapshot) return []
  const h = house.house
  const screens: Hit[] = SCREENS.map(s => ({ label: s.label, icon: s.icon, onSelect: go(s.to) }))
  const animals: Hit[] = Object.values(h.animals).map(a => ({
    label: a.tag,
    suffix: `${house.speciesName(a.speciesId)} · ${house.placeName(a.placeId)}`,
    icon: 'i-lucide-turtle',
    onSelect: go(`/animals/${a.id}`),
  }))
  const colonies: Hit[] = Object.values(h.groups).map(g => ({
    label: g.tag,
    suffix: `${tellNumbers(g)} ${house.speciesName(g.speciesId)} · ${house.placeName(g.placeId)}`,
    icon: 'i-lucide-users',
    onSelect: go(`/groups/${g.id}`),
  }))
  const clutches: Hit[] = Object.values(h.clutches).map(c => ({
    label: c.tag,
    suffix: `${house.speciesName(c.speciesId)} ${c.kind}`,
    icon: 'i-lucide-egg',
    onSelect: go(c.kind === 'eggs' ? `/eggs/${c.id}` : `/nursery#${c.id}`),
  }))
  const cultures: Hit[] = Object.values(h.cultures)
    .filter(c => !c.finished)
    .map(c => ({
      label: c.tag,
      suffix: house.almanac.feeders[c.feederId]?.name,
      icon: 'i-lucide-bug',
      onSelect: go(`/feeders#${c.id}`),
    }))
  const species: Hit[] = Object.values(house.almanac.species).map(s => ({
    label: s.name,
    suffix: s.latin,
    icon: 'i-lucide-book-open',
    onSelect: go(`/almanac#${s.id}`),
  }))
  return [
    { id: 'screens', label: 'Screens', items: screens },
    { id: 'animals', label: 'Animals', items: animals },
    { id: 'groups', label: 'Groups without tags', items: colonies },
    { id: 'clutches', label: 'Clutches', items: clutches },
    { id: 'cultures', label: 'Cultures', items: cultures },
    { id: 'species', label: 'Almanac', items: species },
  ]
})

/** A tag typed whole, or scanned, opens what bears it: the list may still show what was found before. */
function openTyped(event: KeyboardEvent) {
  const typed = (event.target as HTMLInputElement).value?.trim().toLowerCase()
  const hit = typed && groups.value.flatMap(g => g.items).find(item => item.label.toLowerCase() === typed)
  if (!hit) return
  event.preventDefault()
  event.stopPropagation()
  hit.onSelect()
}
</script>

<template>
  <UModal
    v-model:open="shell.search.value"
    title="Search"
    description="Tags, species and screens"
    :ui="{ content: 'p-0' }"
  >
    <template #content>
      <div class="h-96" @keydown.enter.capture="openTyped">
        <UCommandPalette
          :groups="groups"
          placeholder="A tag, a species, a screen"
          class="h-full"
          :fuse="{ resultLimit: 30 }"
          close
          @update:open="shell.search.value = $event"
        />
      </div>
    </template>
  </UModal>
</template>
