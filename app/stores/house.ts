import { defineStore } from 'pinia'
import { shippedAlmanac, withOverrides } from '#core/almanac'
import type { Entry } from '#core/logbook'
import { startTasks, type FeederPlan, type Season, type Task } from '#core/season'
import { routeTo } from '#core/places'
import type { HouseSnapshot, PlansSnapshot, SeasonSnapshot, WroteEntries } from '#shared/contracts/house'

/** The house as the server last told it: what is written, and what follows from it. */
export const useHouse = defineStore('house', () => {
  const snapshot = shallowRef<HouseSnapshot | null>(null)
  const computedSeason = shallowRef<SeasonSnapshot | null>(null)
  const computedPlans = shallowRef<PlansSnapshot | null>(null)
  const failure = ref<string | null>(null)

  const almanac = computed(() => withOverrides(shippedAlmanac, snapshot.value?.overrides ?? []))
  const house = computed(() => snapshot.value!.house)
  const settings = computed(() => snapshot.value!.settings)
  const today = computed(() => snapshot.value!.today)
  const season = computed<Season | null>(() => computedSeason.value?.season ?? null)
  const plans = computed<FeederPlan[]>(() => computedPlans.value?.plans ?? [])
  /** Whether the plans shown are those of the house shown. */
  const settled = computed(() => computedPlans.value?.version === snapshot.value?.version)
  const upcomingStarts = computed<Task[]>(() => startTasks(plans.value, almanac.value, today.value))
  const isEmpty = computed(() => !Object.keys(house.value.animals).length && !Object.keys(house.value.cultures).length)

  async function load(): Promise<void> {
    try {
      const [inputs, outcome] = await Promise.all([callApi<HouseSnapshot>('/api/house'), callApi<SeasonSnapshot>('/api/season')])
      snapshot.value = inputs
      computedSeason.value = outcome
      failure.value = null
      // forecasts move at once; the plan follows as soon as it is solved
      void loadPlans()
    }
    catch (error) {
      failure.value = error instanceof Error ? error.message : String(error)
    }
  }

  async function loadPlans(): Promise<void> {
    try {
      computedPlans.value = await callApi<PlansSnapshot>('/api/plans')
    }
    catch (error) {
      failure.value = error instanceof Error ? error.message : String(error)
    }
  }

  /** Writes entries (all or none) and takes over what follows from them. @throws ApiProblem */
  async function write(entries: Entry[]): Promise<string[]> {
    const { written } = await callApi<WroteEntries>('/api/entries', { method: 'POST', body: { entries } })
    await load()
    return written
  }

  const placeName = (id: string | null) => routeTo(house.value.places, id).names.join(' · ')
  const speciesName = (id: string) => almanac.value.species[id]?.name ?? id

  return { snapshot, failure, almanac, house, settings, today, season, plans, settled, upcomingStarts, isEmpty, load, write, placeName, speciesName }
})
