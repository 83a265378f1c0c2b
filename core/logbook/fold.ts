import { dayFromIso } from '../units'
import { recordOf } from '../record'
import type { LocusData } from '../genetics'
import type { DatedEntry } from './entry'
import { entryKinds } from './registry'
import { subjectKey, type Records } from './records'
import type {
  AnimalCard,
  AnimalState,
  ClutchState,
  CultureState,
  House,
  LampState,
  LocusState,
  Observed,
  PairingState,
  SexProof,
  StockState,
  Unread,
  WinterGroup,
  WinterWays,
} from './states'

/** A fold remembered per list of entries: the same list gives the same state without doing it again; null when its founding cannot be read. */
function remembered<State>(
  fold: (entries: readonly DatedEntry[]) => State,
): (entries: readonly DatedEntry[]) => State | null {
  const known = new WeakMap<readonly DatedEntry[], State | null>()
  return entries => {
    let state = known.get(entries)
    if (state === undefined) {
      try {
        state = fold(entries)
      } catch (error) {
        noteUnread(entries, entries[0]!, error)
        state = null
      }
      known.set(entries, state)
    }
    return state
  }
}

/** What could not be read of a list of entries, kept beside the fold that is remembered for it. */
const unreadOf = new WeakMap<readonly DatedEntry[], Unread[]>()

function noteUnread(entries: readonly DatedEntry[], entry: DatedEntry, error: unknown): void {
  const known = unreadOf.get(entries) ?? []
  if (!known.some(u => u.entryId === entry.id))
    unreadOf.set(entries, [
      ...known,
      { entryId: entry.id, subject: entry.subject, message: error instanceof Error ? error.message : String(error) },
    ])
}

/** Applies each entry; one that cannot be read is left out and noted, and the others stand. */
function applyAll(state: unknown, entries: readonly DatedEntry[]): void {
  for (const entry of entries) {
    const kind = entryKinds.get(entry.kind)
    try {
      kind?.apply(state as never, entry.data as never, entry)
    } catch (error) {
      noteUnread(entries, entry, error)
    }
  }
}

const NO_ENTRIES: readonly DatedEntry[] = []

function blankAnimal(card: AnimalCard): AnimalState {
  return {
    ...card,
    status: 'alive',
    statusDay: null,
    weights: [],
    meals: [],
    lastTaken: null,
    refusals: 0,
    lastShed: null,
    lastCheck: null,
    cooled: null,
    warmed: null,
    homeId: card.placeId,
    winters: [],
    unwell: null,
    lastWater: null,
    lengths: [],
    statedSex: card.sex,
    sexEvidence: [],
    sexSettled: null,
    sires: card.sireId ? [{ id: card.sireId, chance: 1 }] : [],
    origin: card.damId || card.sireId ? 'bred' : 'unknown',
    clonal: false,
    parentsStated: null,
    genes: {},
    looks: {},
  }
}

const animalsByCard = new WeakMap<AnimalCard, { entries: readonly DatedEntry[]; state: AnimalState }>()

function foldAnimal(card: AnimalCard, entries: readonly DatedEntry[]): AnimalState {
  const known = animalsByCard.get(card)
  if (known?.entries === entries) return known.state
  const state = blankAnimal(card)
  applyAll(state, entries)
  animalsByCard.set(card, { entries, state })
  return state
}

interface FoldedPairing {
  state: PairingState
  clutches: ClutchState[]
}

const founding = (entries: readonly DatedEntry[], kind: string) => entries.find(e => e.kind === kind)

const foldPairing = remembered((entries): FoldedPairing | null => {
  const first = founding(entries, 'paired')
  if (!first) return null
  const data = first.data as { tag: string; damId: string; sireId: string | null }
  const state: PairingState = {
    id: first.id,
    tag: data.tag,
    speciesId: '',
    damId: data.damId,
    sireId: data.sireId,
    startDay: first.day,
    seen: {},
    clutchIds: [],
    together: null,
    locks: [],
    layTogether: [],
    rejections: [],
    injuries: [],
    visits: [],
    follicles: [],
    ended: null,
  }
  applyAll(state, entries)
  const clutches = entries
    .filter(e => e.kind === 'laid' || e.kind === 'born')
    .map((e, i) => clutchFrom(e, state, i + 1))
  return { state, clutches }
})

function clutchFrom(entry: DatedEntry, pairing: PairingState, number: number): ClutchState {
  const blank = {
    id: entry.id,
    pairingId: pairing.id,
    speciesId: '',
    number,
    startDay: entry.day,
    good: null,
    eggsLost: 0,
    metamorphosed: [],
    tagged: 0,
    sold: 0,
    firstFed: null,
    lastFed: null,
    lastCheck: null,
    lastCandled: null,
    looksCounted: [],
    meals: [],
    ended: null,
    youngLost: 0,
  }
  if (entry.kind === 'born') {
    const d = entry.data as { tag: string; live: number; still: number; slugs: number; placeId: string | null }
    const hatched = d.live > 0 ? [{ day: entry.day, count: d.live, entryId: entry.id }] : []
    return {
      ...blank,
      tag: d.tag,
      kind: 'litter',
      eggs: d.live + d.still + d.slugs,
      slugs: d.slugs,
      eggsLost: d.still,
      tempC: null,
      placeId: d.placeId,
      hatched,
    }
  }
  const d = entry.data as { tag: string; eggs: number; slugs: number; tempC: number | null; placeId: string | null }
  return {
    ...blank,
    tag: d.tag,
    kind: 'eggs',
    eggs: d.eggs,
    slugs: d.slugs,
    tempC: d.tempC,
    placeId: d.placeId,
    hatched: [],
  }
}

const clutchMemo = new WeakMap<ClutchState, { entries: readonly DatedEntry[]; state: ClutchState }>()

function foldClutch(
  laid: ClutchState,
  entries: readonly DatedEntry[],
  speciesId: string,
  larval: boolean,
): ClutchState {
  const known = clutchMemo.get(laid)
  if (known?.entries === entries && known.state.speciesId === speciesId) return known.state
  const kind = laid.kind === 'litter' ? 'litter' : larval ? 'spawn' : 'eggs'
  const state: ClutchState = {
    ...laid,
    speciesId,
    kind,
    hatched: [...laid.hatched],
    metamorphosed: [],
    looksCounted: [],
    meals: [],
  }
  applyAll(state, entries)
  clutchMemo.set(laid, { entries, state })
  return state
}

const foldCulture = remembered((entries): CultureState | null => {
  const first = founding(entries, 'cultureStarted')
  if (!first) return null
  const data = first.data as { tag: string; feederId: string; placeId: string | null }
  const state: CultureState = {
    id: first.id,
    ...data,
    startDay: first.day,
    producing: null,
    failed: null,
    finished: null,
    harvested: 0,
    lastHarvest: null,
    lastLook: null,
  }
  applyAll(state, entries)
  return state
})

const foldLamp = remembered((entries): LampState | null => {
  const first = founding(entries, 'lampFitted')
  if (!first) return null
  const data = first.data as { tag: string; lamp: string; placeId: string | null; lifeDays: number }
  const state: LampState = { id: first.id, ...data, fittedDay: first.day, replaced: null }
  applyAll(state, entries)
  return state
})

const foldWinter = remembered((entries): WinterGroup | null => {
  const first = founding(entries, 'winterPlanned')
  if (!first) return null
  const data = first.data as {
    tag: string
    speciesId: string
    placeId: string | null
    cool: string
    ways?: WinterWays
    animalIds?: string[]
  }
  const state: WinterGroup = {
    id: first.id,
    tag: data.tag,
    speciesId: data.speciesId,
    placeId: data.placeId,
    coolDay: dayFromIso(data.cool),
    ways: data.ways ?? {},
    members: Object.fromEntries((data.animalIds ?? []).map(id => [id, {}])),
    ended: null,
  }
  applyAll(state, entries)
  return state
})

const foldLocus = remembered((entries): LocusState | null => {
  const first = founding(entries, 'locusNamed')
  if (!first) return null
  const state: LocusState = { id: first.id, ...(first.data as unknown as LocusData), dropped: null }
  applyAll(state, entries)
  return state
})

const foldPrey = remembered((entries): StockState => {
  const state: StockState = {
    prey: entries[0]!.subject.id,
    counted: null,
    received: 0,
    arrivals: [],
    used: [],
    lastReceived: null,
    onOrder: [],
    left: 0,
  }
  applyAll(state, entries)
  return state
})

const proven = new WeakMap<AnimalState, { by: readonly string[]; state: AnimalState }>()

/** An animal with the proof of sex that its young give; the same object for the same young. */
function withProofs(
  animal: AnimalState,
  proofs: readonly (Observed & { proof: SexProof; says: 'male' | 'female' })[],
): AnimalState {
  const by = proofs.map(p => p.entryId)
  const known = proven.get(animal)
  if (known && known.by.join() === by.join()) return known.state
  const sexEvidence = [...animal.sexEvidence, ...proofs.map(p => ({ by: 'proof' as const, ...p }))].sort(
    (a, b) => a.day - b.day,
  )
  const last = sexEvidence.filter(e => e.by === 'proof').at(-1)!
  const state: AnimalState = { ...animal, sexEvidence, sex: last.says }
  proven.set(animal, { by, state })
  return state
}

/** What laid, gave birth or sired living young is proven by it. */
function proveByYoung(house: House): void {
  const proofs = new Map<string, (Observed & { proof: SexProof; says: 'male' | 'female' })[]>()
  const add = (id: string, proof: SexProof, says: 'male' | 'female', at: Observed) => {
    const list = proofs.get(id)
    if (list) list.push({ proof, says, ...at })
    else proofs.set(id, [{ proof, says, ...at }])
  }
  for (const clutch of Object.values(house.clutches)) {
    const pairing = house.pairings[clutch.pairingId]!
    add(pairing.damId, clutch.kind === 'litter' ? 'birth' : 'eggs', 'female', {
      day: clutch.startDay,
      entryId: clutch.id,
    })
    const alive = clutch.hatched[0]
    if (pairing.sireId && alive) add(pairing.sireId, 'sired', 'male', { day: alive.day, entryId: alive.entryId })
  }
  for (const [id, list] of proofs) if (house.animals[id]) house.animals[id] = withProofs(house.animals[id], list)
}

type Offered = ClutchState['meals'][number]

/** Every meal offered to an animal, oldest first: the state of an animal keeps only its latest ones. */
const mealsOffered = remembered((entries): Offered[] =>
  entries
    .filter(e => e.kind === 'fed')
    .map(e => {
      const { prey, offered } = e.data as { prey: string; offered: number }
      // a thawed or loosed feeder is gone whether it was eaten or not
      return { day: e.day, at: e.at, prey, count: offered }
    }),
)

/** Takes what was offered since the last count off each stock. */
function takeMealsOff(stocks: Record<string, StockState>, offered: Iterable<readonly Offered[]>): void {
  const since = new Map(Object.values(stocks).map(s => [s.prey, s.counted?.at ?? s.arrivals[0]?.at ?? '']))
  const first = [...since.values()].sort()[0]
  for (const stock of Object.values(stocks)) stock.used = []
  if (first !== undefined) {
    for (const meals of offered) {
      for (let i = meals.length - 1; i >= 0 && meals[i]!.at > first; i--) {
        const meal = meals[i]!
        if (meal.at > (since.get(meal.prey) ?? '\uffff'))
          stocks[meal.prey]!.used.push({ day: meal.day, count: meal.count })
      }
    }
  }
  for (const stock of Object.values(stocks))
    stock.left = Math.max(
      0,
      (stock.counted?.count ?? 0) + stock.received - stock.used.reduce((sum, u) => sum + u.count, 0),
    )
}

/** Meals of animals and of groups, each list in order of time. */
function* allOffered(records: Records, house: House): Generator<readonly Offered[]> {
  for (const [key, entries] of records.entries) if (key.startsWith('animal:')) yield mealsOffered(entries) ?? []
  for (const clutch of Object.values(house.clutches)) yield clutch.meals
}

/**
 * The house as it stands: every card with its entries folded in. Pure; what has not changed since an earlier call with
 * records that share its lists is taken over as it was.
 * @param larval whether a species has tadpoles (its mode in the almanac)
 */
export function foldHouse(records: Records, larval: (speciesId: string) => boolean): House {
  const house: House = {
    places: recordOf(),
    animals: recordOf(),
    pairings: recordOf(),
    clutches: recordOf(),
    cultures: recordOf(),
    stocks: recordOf(),
    lamps: recordOf(),
    winters: recordOf(),
    loci: recordOf(),
    climate: records.climate,
    unread: [],
  }
  for (const place of records.places) house.places[place.id] = place
  for (const card of records.animals) {
    house.animals[card.id] = foldAnimal(
      card,
      records.entries.get(subjectKey({ type: 'animal', id: card.id })) ?? NO_ENTRIES,
    )
  }
  for (const [key, entries] of records.entries) {
    if (key.startsWith('pairing:')) {
      const folded = foldPairing(entries)
      if (!folded) continue
      const speciesId = house.animals[folded.state.damId]?.speciesId
      if (!speciesId) continue
      if (folded.state.speciesId !== speciesId) folded.state = { ...folded.state, speciesId }
      house.pairings[folded.state.id] = folded.state
      for (const laid of folded.clutches) {
        const own = records.entries.get(subjectKey({ type: 'clutch', id: laid.id })) ?? NO_ENTRIES
        house.clutches[laid.id] = foldClutch(laid, own, speciesId, larval(speciesId))
      }
    } else if (key.startsWith('culture:')) {
      const culture = foldCulture(entries)
      if (culture) house.cultures[culture.id] = culture
    } else if (key.startsWith('lamp:')) {
      const lamp = foldLamp(entries)
      if (lamp) house.lamps[lamp.id] = lamp
    } else if (key.startsWith('winter:')) {
      const winter = foldWinter(entries)
      if (winter) house.winters[winter.id] = winter
    } else if (key.startsWith('locus:')) {
      const locus = foldLocus(entries)
      if (locus) house.loci[locus.id] = locus
    } else if (key.startsWith('prey:')) {
      const stock = foldPrey(entries)
      if (stock) house.stocks[stock.prey] = { ...stock }
    }
  }
  for (const entries of records.entries.values()) house.unread.push(...(unreadOf.get(entries) ?? []))
  proveByYoung(house)
  takeMealsOff(house.stocks, allOffered(records, house))
  return house
}
