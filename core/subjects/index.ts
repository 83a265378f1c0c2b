import type { Almanac } from '../almanac'
import {
  Draft,
  FoldMemory,
  LogbookError,
  checkWith,
  completeWith,
  describeEntry,
  foldWith,
  readLineWith,
  registryOf,
  statesOf,
  tagNamedIn,
  tagOwner,
  type CheckContext,
  type DatedEntry,
  type Entry,
  type EntryKind,
  type House,
  type Problem,
  type ReadUnits,
  type Records,
  type Understood,
} from '../log'
import type { Unit } from '../units'
import { modeIn, typesIn } from './knowledge'
import { tagOut, type TagWish, type Untagged } from './tagging'
import { subjects } from './list'

/** The sorts of subjects and kinds of entries that this program knows. */
export const registry = registryOf(subjects)

/** Every kind of entry by its name. */
export const entryKinds = registry.kinds

export const SUBJECT_TYPES: readonly string[] = [...registry.subjects.keys(), 'entry']

/** @throws LogbookError for a kind that does not exist */
export function kindOf(name: string): EntryKind {
  const kind = entryKinds.get(name)
  if (!kind) throw new LogbookError(`There is no kind of entry called “${name}”.`)
  return kind
}

const modeOf = (id: string, house: House) => modeIn(house, id)

/**
 * The house of these records.
 * @param memory what an earlier fold remembers; left out, all is folded anew
 */
export function foldHouse(records: Records, memory?: FoldMemory): House {
  return foldWith(registry, records, modeOf, memory)
}

/** A log to write on, from what stands. */
export function draftOf(records: Records, house: House, memory = new FoldMemory()): Draft {
  return new Draft(registry, records, house, modeOf, memory)
}

/**
 * A house as it would stand with further words about its species and feeders, and its own numbers; the one passed in
 * stays as it is.
 */
export function withKnowledge(
  house: House,
  facts: readonly Pick<DatedEntry, 'id' | 'subject' | 'kind' | 'data'>[],
): House {
  const tried = {
    ...house,
    species: { ...house.species },
    feeders: { ...house.feeders },
    numbers: { ...house.numbers },
  }
  for (const { id, subject, kind, data } of facts) {
    const of = registry.subjects.get(subject.type)!
    const states = statesOf(tried, of) as Record<string, unknown>
    if (kindOf(kind).founds) states[id] = of.found!({ id, data } as DatedEntry, {} as never)
    else {
      const state = { ...((states[subject.id] ?? of.implied!(subject.id)) as object) }
      kindOf(kind).apply(state as never, data as never, { id, subject, kind, data } as DatedEntry)
      states[subject.id] = state
    }
  }
  return { ...tried, typeOf: typesIn(tried) }
}

/** Whether an entry can have happened: the problems with field paths; empty when it may be written. */
export const checkEntry = (entry: DatedEntry, context: CheckContext): Problem[] => checkWith(registry, entry, context)

/** An entry as it will be written, or the reason why its subject cannot be found. */
export const completeEntry = (house: House, entry: DatedEntry): DatedEntry | Problem =>
  completeWith(registry, house, entry)

/** One entry as a sentence for a timeline, in the units that the house reads. */
export const tellEntry = (entry: Entry, units: ReadUnits): string => describeEntry(registry, entry, units)

/** Some of a clutch or a group as animals of their own, with the next tags that are free; see `tagOut`. */
export const tagYoung = (house: House, of: Untagged, wish: TagWish, taggedBy: string, newId: () => string) =>
  tagOut(house, of, wish, taggedBy, tag => tagOwner(registry, house, tag) !== null, newId)

/** What carries a tag, as it is written or nearly so. */
export const tagNamed = (house: House, written: string) => tagNamedIn(registry, house, written)

/** Reads one line as a keeper speaks it; see `readLineWith`. */
export const readLogLine = (
  line: string,
  house: House,
  almanac: Almanac,
  unit: Unit,
  nextTag: string,
): Understood | null => readLineWith(registry, line, house, almanac, unit, nextTag)

export { feederNamed } from '../almanac'
export {
  Draft,
  ENTRY_SOURCES,
  Entry,
  FoldMemory,
  LogbookError,
  Subject,
  findEntry,
  inOrder,
  isNewer,
  recordsFrom,
  redated,
  registryOf,
  statesOf,
  subjectKey,
  tagOwner,
  versionOf,
  withEntries,
  withEntry,
  type CheckContext,
  type DatedEntry,
  type FieldHint,
  type ReadUnits,
  type House,
  type Observed,
  type ToldWarmth,
  type Problem,
  type Records,
  type Redated,
  type Understood,
} from '../log'
export { animalAsAdded } from './animal/asAdded'
export { bornIn, readPastedRows, type PastedRow } from './animal/pastedRows'
export { AnimalData, animalAdded, cardOf, type Arrival } from './animal/card'
export { checkParents } from './animal/lineage'
export { questionWeight } from './animal/plausibleWeight'
export {
  ORIGINS,
  SEX_PROOFS,
  type AnimalCard,
  type AnimalState,
  type GeneStatement,
  type Meal,
  type Origin,
  type PossibleSire,
  type Sex,
  type SexEvidence,
  type SexProof,
  type Treatment,
  type Weighing,
  type Winter,
} from './animal/state'
export { COLD_SIGNS, SIGNS, SIGN_WORDS, inCold, type Sign } from './animal/winter'
export { WORKED_APART, quarantineOf, staysInQuarantine, type Quarantine } from './animal/quarantine'
export { animalsOf, livingAnimals } from './animal/living'
export { isQuarantine, waysUp } from './ways'
export { changedIn } from './changed'
export { type TagWish, type Tagged, type Untagged } from './tagging'
export { TADPOLE_HOME_WORDS, type TadpoleHome } from './clutch/tadpoleHomes'
export { comparableWeights, dosesDue } from './animal/health'
export { leavingChecks, leavingQuestion, type LeavingCheck } from './animal/leaving'
export {
  MANNERS,
  MANNER_WORDS,
  OUTCOMES,
  OUTCOME_WORDS,
  POWDERS,
  POWDER_WORDS,
  PREY_STATES,
  PREY_STATE_WORDS,
  isHelped,
  tellOffer,
  type Manner,
  type Outcome,
  type Powder,
  type PreyState,
} from './animal/offer'
export { WAYS, WAY_WORDS, tellWays, type Way } from './animal/manners'
export { EggProgramme, eggIncubation } from './clutch/programme'
export { partTag } from './clutch/apart'
export { BroughtData } from './clutch/brought'
export { doubtfulEggs, eggNumbers, eggsLeft, isAliveEgg, notPlaced, pippedNow } from './clutch/eggs'
export { TADPOLE_FOOD, tadpolesLeft, youngInGroup } from './clutch/young'
export {
  EGG_ENDS,
  EGG_SIGNS,
  EGG_STATES,
  EGG_STATE_WORDS,
  type ClutchState,
  type Egg,
  type EggBox,
  type EggEnd,
  type EggSign,
  type EggStanding,
  type Stay,
} from './clutch/state'
export { signsOf } from './culture/kinds'
export {
  APART,
  CULTURE_SORTS,
  QUARTERS,
  quarterOf,
  type ApartNumber,
  type CultureApart,
  type CultureGroups,
  type CultureSort,
} from './cultureSorts'
export { tellApart } from './stock/apart'
export {
  CARRIED,
  NO_SIGN,
  SHAKES,
  SHAKE_WORDS,
  TROUBLES,
  TROUBLE_WORDS,
  mayFound,
  type CultureState,
  type Shake,
  type Trouble,
} from './culture/state'
export { CAUSE_WORDS, causeName, type CauseId, type CauseWords } from './culture/causes'
export { foundedFrom, strainOf } from './culture/lineage'
export { HEATS, LAMP_SOURCES, LAMP_SOURCE_IDS, type LampSource, type LampState } from './lamp/state'
export { GroupData } from './group/kinds'
export { hereOf, inAll, tellNumbers } from './group/numbers'
export { nothingWritten, type GroupNumbers, type GroupState } from './group/state'
export { membersOf, oneOf } from './members'
export { ALLELE_FIELDS } from './locus'
export type { LocusState } from './locus/state'
export { isOneSpecies, rootIn } from './oneSpecies'
export { almanacOf, ownKnowledge } from './knowledge'
export { cultureWeekdayOf } from './cultureWeekday'
export { ownRows } from './ownRows'
export { ownNumbers } from './ownNumbers'
export type { OwnNumber } from './number/state'
export { newPairing } from './pairing'
export { openPairingOf } from './pairing/open'
export type { PairingState } from './pairing/state'
export { awakeByPlace, companyProblems, livingByPlace, tellCompany, type CompanyProblem } from './company'
export { FINDINGS, FINDING_WORDS, type Care, type CareDone, type Finding } from './care'
export { HOUSE_JOBS, HOUSE_JOB_WORDS, JOB_WORDS, isRoundJob, type HouseJob } from './jobWords'
export type { JobState } from './job/state'
export { SEXES } from './sexes'
export { placeAdded } from './place'
export { PlaceData } from './place/kinds'
export { PLACE_KINDS, type Found, type HomeSize, type LightHours, type Measured, type Place } from './place/state'
export { THE_HOUSE, type SettingsState } from './settings/state'
export type { StockLot, StockState } from './stock/state'
export { bestOffers, daysToSend } from './supplier/offers'
export { readAmount, readPriceList, type LineProblem } from './supplier/priceList'
export { OfferData, offersProblem } from './supplier/kinds'
export { materialId, type MaterialState } from './material/state'
export type { Offer, SupplierState } from './supplier/state'
export { winterGroupOf } from './winter/kinds'
export type { WinterGroup, WinterWays } from './winter/state'
