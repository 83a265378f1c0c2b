import { defineStore } from 'pinia'
import { shippedAlmanac, withOverrides } from '#core/almanac'
import type { Entry } from '#core/subjects'
import { startTasks, type Alarm, type FeederPlan, type Season, type Task } from '#core/season'
import { routeTo } from '#core/places'
import type { HouseSnapshot, PlansSnapshot, SeasonSnapshot, WroteEntries } from '#shared/contracts/house'

/** While the house does not answer it is asked again after these pauses, the last of them over and over. */
const PAUSES_MS = [1000, 3000, 8000, 20_000]

/** The house as the server last told it: what is written, and what follows from it. */
export const useHouse = defineStore('house', () => {
  const snapshot = shallowRef<HouseSnapshot | null>(null)
  const computedSeason = shallowRef<SeasonSnapshot | null>(null)
  const computedPlans = shallowRef<PlansSnapshot | null>(null)
  /** Why the house could not be opened; once it was, a lost connection only makes it stale. */
  const failure = ref<string | null>(null)
  /** Since when it has not answered; what is shown is from before. */
  const stale = ref<Date | null>(null)
  /** One must come in with the passphrase first. */
  const locked = ref(false)

  const almanac = computed(() => withOverrides(shippedAlmanac, snapshot.value?.overrides ?? []))
  const house = computed(() => snapshot.value!.house)
  const settings = computed(() => snapshot.value!.settings)
  const today = computed(() => snapshot.value!.today)
  const season = computed<Season | null>(() => computedSeason.value?.season ?? null)
  const plans = computed<FeederPlan[]>(() => computedPlans.value?.plans ?? [])
  const alarms = computed<Alarm[]>(() => [...(season.value?.alarms ?? []), ...(computedPlans.value?.alarms ?? [])])
  /** Whether the plans shown are those of the house shown. */
  const settled = computed(() => computedPlans.value?.version === snapshot.value?.version)
  const upcomingStarts = computed<Task[]>(() => startTasks(plans.value, almanac.value, today.value))
  const isEmpty = computed(() => !Object.keys(house.value.animals).length && !Object.keys(house.value.cultures).length)

  let tries = 0
  let trying: ReturnType<typeof setTimeout> | undefined

  /** What is shown stays; it is asked again until it answers. */
  function missed(error: unknown): void {
    if (error instanceof ApiProblem && error.problem.status === 401) {
      locked.value = true
      return
    }
    if (!snapshot.value) failure.value = error instanceof Error ? error.message : String(error)
    else stale.value ??= new Date()
    clearTimeout(trying)
    trying = setTimeout(
      () => {
        void load()
      },
      PAUSES_MS[Math.min(tries++, PAUSES_MS.length - 1)],
    )
  }

  /** Takes over the house as it is now. Never throws: what cannot be had now is asked for again. */
  async function load(): Promise<void> {
    try {
      const [inputs, outcome] = await Promise.all([
        callApi<HouseSnapshot>('/api/house'),
        callApi<SeasonSnapshot>('/api/season'),
      ])
      snapshot.value = inputs
      computedSeason.value = outcome
      failure.value = stale.value = null
      locked.value = false
      tries = 0
      clearTimeout(trying)
      // forecasts move at once; the plan follows as soon as it is solved
      void loadPlans()
    } catch (error) {
      missed(error)
    }
  }

  async function loadPlans(): Promise<void> {
    try {
      computedPlans.value = await callApi<PlansSnapshot>('/api/plans')
    } catch (error) {
      missed(error)
    }
  }

  /** Writes entries (all or none) and takes over what follows from them. @throws ApiProblem */
  async function write(entries: Entry[]): Promise<string[]> {
    const { written, known } = await callApi<WroteEntries>('/api/entries', {
      method: 'POST',
      body: { entries },
      again: true,
    })
    await load()
    return [...written, ...known]
  }

  const placeName = (id: string | null) => routeTo(house.value.places, id).names.join(' · ')
  const speciesName = (id: string) => almanac.value.species[id]?.name ?? id

  return {
    snapshot,
    failure,
    stale,
    locked,
    almanac,
    house,
    settings,
    today,
    season,
    plans,
    alarms,
    settled,
    upcomingStarts,
    isEmpty,
    load,
    write,
    placeName,
    speciesName,
  }
})
