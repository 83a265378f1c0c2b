<script setup lang="ts">
import { useElementSize, useLocalStorage } from '@vueuse/core'

const house = useHouse()
const board = useTemplateRef<HTMLElement>('board')
const { width } = useElementSize(board)

const VIEWS = ['Due', 'Bench', 'Rota'] as const
const view = useLocalStorage<(typeof VIEWS)[number]>('pairing-view', 'Due')
const outlook = computed(() => house.season?.breeding ?? null)
const answer = computed(() =>
  outlook.value && house.season
    ? pairingAnswer(outlook.value, house.season, id => house.house.animals[id]?.tag ?? '?')
    : '',
)
const open = ref<string | null>(null)
const lane = computed(() => house.season?.lanes.find(l => l.kind === 'pair' && l.subject.id === open.value) ?? null)
</script>

<template>
  <div class="screen">
    <header>
      <h1>Who goes with whom, and who is due?</h1>
      <p class="answer">{{ answer }}</p>
    </header>
    <FirstSteps v-if="house.isEmpty" />
    <template v-else>
      <ViewSwitch v-model="view" :views="VIEWS" />
      <div ref="board">
        <template v-if="outlook && width">
          <template v-if="view === 'Due'">
            <PairingDue v-if="outlook.due.length" :due="outlook.due" @open="open = $event" />
            <div v-else class="quiet empty">
              <p>
                No pair is set. The bench shows every female with every male and says what each pair is worth and why.
              </p>
              <UButton label="Go to the bench" class="mt-3" @click="view = 'Bench'" />
            </div>
          </template>
          <PairingBench v-else-if="view === 'Bench'" />
          <PairingRota v-else :outlook="outlook" :width="width" @open="open = $event" />
        </template>
      </div>
    </template>
    <SeasonLanePanel :lane="lane" @close="open = null" />
  </div>
</template>

<style scoped>
.answer {
  flex-basis: 100%;
  color: var(--ui-text-highlighted) !important;
  font-size: 1.0625rem;
}
.empty {
  padding: 1.5rem 0;
  max-width: 40rem;
}
</style>
