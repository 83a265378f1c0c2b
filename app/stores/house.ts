import { defineStore } from 'pinia'
import { withOwn, withoutPrototypes, type Override, type Shipped } from '#core/almanac'
import type { Entry } from '#core/subjects'
// by their files: the index would make the whole log part of the first load
import { isOneSpecies as isOne, rootIn } from '#core/subjects/oneSpecies'
import { ownRows } from '#core/subjects/ownRows'
import { startTasks, type Alarm, type FeederPlan, type Season, type Task } from '#core/season'
import { routeTo } from '#core/places'
import type { Changes, HouseChanges, PlanChanges, Told, WroteEntries } from '#shared/contracts/changes'
import type { PlansSnapshot } from '#shared/contracts/house'
import { isNewer } from '#shared/contracts/token'

/** While the house does not answer it is asked again after these pauses, the last of them over and over. */
const PAUSES_MS = [1000, 3000, 8000, 20_000]

/** The house as the server last told it: what is written, and what follows from it. */
export const useHouse = defineStore('house', () => {
  const told = shallowRef<{ token: string; value: Told } | null>(null)
  const toldPlans = shallowRef<{ token: string; value: PlansSnapshot } | null>(null)
  /** The almanac of the program, without what the house says itself. */
  const shipped = shallowRef<Shipped | null>(null)
  const snapshot = computed(() => (shipped.value && told.value?.value.house) ?? null)
  const computedSeason = computed(() => told.value?.value.season ?? null)
  const computedPlans = computed(() => toldPlans.value?.value ?? null)
  /** Why the house could not be opened; once it was, a lost connection only makes it stale. */
  const failure = ref<string | null>(null)
  /** Since when it has not answered; what is shown is from before. */
  const stale = ref<Date | null>(null)
  /** One must come in with the passphrase first. */
  const locked = ref(false)

  /** As a text, so that what is computed from it is computed again only when it says something else. */
  const saidOfAlmanac = computed(() => {
    const { house, settings, overrides } = snapshot.value ?? {}
    const rows = house && settings ? ownRows(house, settings.cultureWeekday) : { species: [], feeders: [], offers: [] }
    return JSON.stringify([rows, overrides ?? []])
  })
  const almanac = computed(() => {
    const [rows, numbers] = JSON.parse(saidOfAlmanac.value) as [ReturnType<typeof ownRows>, Override[]]
    return withOwn(shipped.value!, { ...rows, numbers }).almanac
  })
  /** What is known, without the packs that are ordered just now: it is what is set, borrowed and handed on. */
  const knowledge = computed(() => {
    const [rows, numbers] = JSON.parse(saidOfAlmanac.value) as [ReturnType<typeof ownRows>, Override[]]
    return rows.offers.length ? withOwn(shipped.value!, { ...rows, offers: [], numbers }).almanac : almanac.value
  })
  const house = computed(() => snapshot.value!.house)
  const settings = computed(() => snapshot.value!.settings)
  const today = computed(() => snapshot.value!.today)
  const season = computed<Season | null>(() => computedSeason.value?.season ?? null)
  const plans = computed<FeederPlan[]>(() => computedPlans.value?.plans ?? [])
  const alarms = computed<Alarm[]>(() => [...(season.value?.alarms ?? []), ...(computedPlans.value?.alarms ?? [])])
  /** Whether the plans shown are those of the house shown. */
  const settled = computed(() => computedPlans.value?.version === snapshot.value?.version)
  /** What follows from the plans for today, beside starts and orders. */
  const planTasks = computed<Task[]>(() => computedPlans.value?.tasks ?? [])
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

  /** The house is there, and what is shown is of now. */
  function answered(): void {
    failure.value = stale.value = null
    locked.value = false
    tries = 0
    clearTimeout(trying)
    // forecasts move at once; the plan follows as soon as it is solved
    void loadPlans()
  }

  /**
   * What was told before with the changes on it; null when they do not fit what is known here: all is then asked for.
   */
  async function withChanges<T>(before: { token: string; value: T } | null, changes: Changes<T>) {
    const { token } = changes
    if ('whole' in changes) return { token, value: changes.whole }
    if (before?.token !== changes.from) return null
    try {
      const { patched } = await import('#shared/delta')
      return { token, value: patched(before.value, changes.delta) }
    } catch (error) {
      console.error(error)
      return null
    }
  }

  const sinceThen = (token: string | undefined) => (token ? `?since=${encodeURIComponent(token)}` : '')

  /** Takes over what has changed; what is no change of what is shown is asked for anew. */
  async function take(changes: HouseChanges): Promise<void> {
    // told twice, by the answer to a write and to another call; or late, when a newer state is shown
    if (told.value && !isNewer(changes.token, told.value.token)) return
    const before = told.value
    const next = await withChanges(before, changes)
    // another answer may have come in meanwhile
    if (told.value !== before) return take(changes)
    if (next) told.value = next
    else await load(true)
  }

  /**
   * Takes over the house as it is now. Never throws: what cannot be had now is asked for again.
   * @param whole not as changes of what is known
   */
  async function load(whole = false): Promise<void> {
    try {
      const token = whole ? undefined : told.value?.token
      const almanacOfProgram = shipped.value ?? callApi<Shipped>('/api/almanac')
      const changes = callApi<HouseChanges>(`/api/changes${sinceThen(token)}`)
      // neither is left without anyone who hears that it failed
      const [knowledge] = await Promise.all([almanacOfProgram, changes])
      shipped.value ??= { ...knowledge, base: withoutPrototypes(knowledge.base) }
      await take(await changes)
      answered()
    } catch (error) {
      missed(error)
    }
  }

  async function loadPlans(): Promise<void> {
    try {
      const changes = await callApi<PlanChanges>(`/api/plans/changes${sinceThen(toldPlans.value?.token)}`)
      if (changes.token === toldPlans.value?.token) return
      toldPlans.value =
        (await withChanges(toldPlans.value, changes)) ??
        (await withChanges(null, await callApi<PlanChanges>('/api/plans/changes'))) ??
        toldPlans.value
    } catch (error) {
      missed(error)
    }
  }

  /** Writes entries (all or none) and takes over what follows from them. @throws ApiProblem */
  async function write(entries: Entry[]): Promise<string[]> {
    const { written, known, changes } = await callApi<WroteEntries>('/api/entries', {
      method: 'POST',
      body: { entries, since: told.value?.token },
      again: true,
    })
    if (changes) {
      await take(changes)
      answered()
    } else await load()
    return [...written, ...known]
  }

  /** Another window, or another device, has written when the name of the house is another. */
  function hear(token: string): void {
    if (told.value && isNewer(token, told.value.token)) void load()
  }

  const placeName = (id: string | null) => routeTo(house.value.places, id).names.join(' · ')
  const speciesName = (id: string) => almanac.value.species[id]?.name ?? id
  /** All species by name; types stand after their species. */
  const speciesSorted = computed(() => {
    const { species } = almanac.value
    const key = (id: string) =>
      `${species[species[id]!.typeOf ?? id]?.name} ${species[id]!.typeOf ? species[id]!.name : ''}`
    return Object.values(species).sort((a, b) => key(a.id).localeCompare(key(b.id)))
  })
  /** Those that may be chosen for something new. */
  const speciesOffered = computed(() => speciesSorted.value.filter(s => !s.retired))
  /** The species that a type is of; a species is its own. */
  const rootOf = (id: string) => rootIn(house.value, id)
  const isOneSpecies = (a: string, b: string) => isOne(house.value, a, b)
  /**
   * The tag of the one animal that has this type to itself, as one with numbers of its own has; null for all others.
   */
  function onlyAnimalOf(id: string): string | null {
    if (!house.value.species[id]?.type || !almanac.value.species[id]?.retired) return null
    const of = Object.values(house.value.animals).filter(a => a.speciesId === id)
    return of.length === 1 ? of[0]!.tag : null
  }

  return {
    snapshot,
    failure,
    stale,
    locked,
    almanac,
    knowledge,
    house,
    settings,
    today,
    season,
    plans,
    alarms,
    settled,
    upcomingStarts,
    planTasks,
    isEmpty,
    load,
    write,
    hear,
    placeName,
    speciesName,
    shipped,
    speciesSorted,
    speciesOffered,
    rootOf,
    isOneSpecies,
    onlyAnimalOf,
  }
})
