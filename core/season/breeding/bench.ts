import { speciesOf } from '../../almanac'
import { summarise } from '../../chance'
import type { Judgement } from '../../judgement'
import {
  inCold,
  isOneSpecies,
  livingAnimals,
  quarantineOf,
  staysInQuarantine,
  type AnimalState,
  type House,
} from '../../subjects'
import {
  PAIR_LEVELS,
  judgePair,
  type Candidate,
  type PairInput,
  type PairVerdict,
  type PastResult,
} from '../../pairing'
import { formatDay, formatRange } from '../../units'
import type { SeasonContext } from '../context'
import { pairingsOf } from '../indexes'
import { programmeFor, readinessOf } from '../winter'
import { geneOf, locusHere, wishChance, type BenchWish } from './genes'
import { kinshipWith, rememberedKin, rememberedLine } from './kin'
import { clutchesOf, hasMating, loadOf } from './loads'
import { chanceOfSex } from './sexOf'

export interface BenchSide {
  id: string
  tag: string
  massG: number | null
  /** Open pairing it is in already, by tag. */
  pairedIn: string | null
}

/**
 * The candidates of one species: every female with every male, in rows by female. Cells are numbers, so that 200 × 200
 * travel.
 */
export interface Bench {
  speciesId: string
  dams: BenchSide[]
  sires: BenchSide[]
  /** Females that a male takes on at most. */
  perMale: number
  levels: number[]
  worths: number[]
  kinships: number[]
  wishes: (number | null)[]
  texts: string[]
  /** Index into `texts` of each cell. */
  text: number[]
  /** Grown animals of unknown sex, which stand on neither side. */
  unsexed: string[]
}

function readyText(animal: AnimalState, context: SeasonContext): Candidate['ready'] {
  const { today } = context
  if (inCold(animal) && speciesOf(context.almanac, animal.speciesId).winter === 'dormancy') {
    const programme = programmeFor(animal, context)
    return programme
      ? {
          text:
            programme.maleDay !== null && programme.maleDay <= today
              ? 'rest nearly over'
              : `at rest until ${formatDay(programme.wakeDay, today)}`,
          now: programme.maleDay !== null && programme.maleDay <= today,
          reasons: programme.reasons,
        }
      : null
  }
  const readiness = readinessOf(animal, context)
  if (!readiness)
    return speciesOf(context.almanac, animal.speciesId).winter === 'dormancy' && animal.warmed
      ? { text: 'awake', now: true, reasons: [] }
      : null
  if (readiness.since)
    return { text: `ready since ${formatDay(readiness.since.day, today)}`, now: true, reasons: readiness.reasons }
  const when = summarise(readiness.dist)
  return { text: when ? `ready ${formatRange(when)}` : 'not ready in sight', now: false, reasons: readiness.reasons }
}

/** Verdict "rest" that says she is worn out, not only that the season is over. */
function restsBecause(animal: AnimalState, context: SeasonContext): string | null {
  const load = loadOf(animal, null, context)?.value
  return load && load.action === 'rest' && load.daysSince !== null && load.daysSince < 100 ? load.text : null
}

/** Why an animal meets nobody: its quarantine is not over. */
export function apartBecause(animal: AnimalState, { house, almanac, today }: SeasonContext): string | null {
  const quarantine = quarantineOf(house, animal, almanac.common)
  return quarantine && staysInQuarantine(quarantine, today)
}

function candidate(
  animal: AnimalState,
  sex: 'female' | 'male',
  meanKinship: number,
  context: SeasonContext,
): Candidate {
  return {
    animal,
    sexChance: chanceOfSex(animal, sex, context),
    ready: readyText(animal, context),
    meanKinship,
    rests: sex === 'female' ? restsBecause(animal, context) : null,
    apart: apartBecause(animal, context),
  }
}

function pastOf(house: House, damId: string, sireId: string): PastResult {
  const clutches = clutchesOf(house, damId)
  const together = pairingsOf(house, damId).filter(p => p.damId === damId && p.sireId === sireId)
  const rejections = together.flatMap(p => p.rejections)
  return {
    eggs: clutches.reduce((sum, c) => sum + c.eggs, 0),
    slugs: clutches.reduce((sum, c) => sum + c.slugs, 0),
    rejections: rejections.length,
    lastRejection: rejections.length ? Math.max(...rejections.map(r => r.day)) : null,
    injury: together.flatMap(p => p.injuries).sort((a, b) => b.day - a.day)[0] ?? null,
  }
}

function side(animal: AnimalState, house: House): BenchSide {
  const open = pairingsOf(house, animal.id).find(p => !p.ended)
  return { id: animal.id, tag: animal.tag, massG: animal.weights.at(-1)?.massG ?? null, pairedIn: open?.tag ?? null }
}

/** What is judged of any two of one species, with what all of its pairs share worked out once. */
export function pairInputs(
  context: SeasonContext,
  species: PairInput['species'],
  wishes: readonly BenchWish[],
): (dam: AnimalState, sire: AnimalState, among?: readonly AnimalState[]) => PairInput {
  const { house, almanac, settings, today } = context
  const kin = rememberedKin(context)
  const mean = rememberedLine(species.id, context)?.meanKinship
  const candidates = new Map<string, Candidate>()
  const as = (a: AnimalState, sex: 'female' | 'male') => {
    const key = `${sex}:${a.id}`
    let c = candidates.get(key)
    if (!c) candidates.set(key, (c = candidate(a, sex, mean?.get(a.id) ?? 0, context)))
    return c
  }
  const kinships = new Map<string, Map<string, number>>()
  const kinship = (damId: string, sire: AnimalState, among: readonly AnimalState[]) => {
    let row = kinships.get(damId)
    if (!row) kinships.set(damId, (row = new Map()))
    if (!row.has(sire.id)) {
      const ids = [...new Set([sire, ...among])].map(s => s.id)
      kinshipWith(kin, damId, ids).forEach((value, i) => row.set(ids[i]!, value))
    }
    return row.get(sire.id)!
  }
  const loci = wishes.flatMap(wish => {
    const locus = house.loci[wish.locusId]
    return locus ? [{ locus: locusHere(locus, almanac), wish }] : []
  })
  const beliefs = new Map<string, ReturnType<typeof geneOf>['belief'][]>()
  const genes = (a: AnimalState) => {
    let b = beliefs.get(a.id)
    if (!b) beliefs.set(a.id, (b = loci.map(l => geneOf(house, l.locus, a).belief)))
    return b
  }
  // a type has numbers of its own, and she is judged by hers
  const speciesFor = (dam: AnimalState) => {
    const own = dam.speciesId === species.id ? species : speciesOf(almanac, dam.speciesId)
    return hasMating(own) ? own : species
  }
  return (dam, sire, among = []) => ({
    species: speciesFor(dam),
    almanac,
    schools: settings.schools,
    dam: as(dam, 'female'),
    sire: as(sire, 'male'),
    kinship: kinship(dam.id, sire, among),
    wish: loci.length ? wishChance(loci, genes(dam), genes(sire)) : null,
    past: pastOf(house, dam.id, sire.id),
    today,
  })
}

/** The grown animals of a species by side. */
function sidesOf(
  context: SeasonContext,
  species: PairInput['species'],
): { dams: AnimalState[]; sires: AnimalState[]; unsexed: AnimalState[] } {
  const { house, almanac, today } = context
  const nearly = almanac.common.nearlyGrown!.value
  const grown = (a: AnimalState, fromDays: number) => a.bornDay === null || today - a.bornDay >= fromDays * nearly
  const own = livingAnimals(house)
    .filter(a => isOneSpecies(house, a.speciesId, species.id))
    .sort((a, b) => (a.tag < b.tag ? -1 : 1))
  const likely = (a: AnimalState, sex: 'female' | 'male') => chanceOfSex(a, sex, context) > 0.5
  return {
    dams: own.filter(a => likely(a, 'female') && grown(a, species.mating.femaleFromDays.value)),
    sires: own.filter(a => likely(a, 'male') && grown(a, species.mating.maleFromDays.value)),
    unsexed: own.filter(a => !likely(a, 'female') && !likely(a, 'male') && grown(a, species.mating.maleFromDays.value)),
  }
}

/** Every grown female with every grown male of a species; null where the almanac does not know how it is paired. */
export function benchOf(context: SeasonContext, speciesId: string, wishes: readonly BenchWish[]): Bench | null {
  const species = speciesOf(context.almanac, speciesId)
  if (!hasMating(species)) return null
  const { dams, sires, unsexed } = sidesOf(context, species)
  const input = pairInputs(context, species, wishes)
  const texts: string[] = []
  const at = new Map<string, number>()
  const bench: Bench = {
    speciesId,
    dams: dams.map(a => side(a, context.house)),
    sires: sires.map(a => side(a, context.house)),
    perMale: Math.round(species.mating.females.value),
    levels: [],
    worths: [],
    kinships: [],
    wishes: [],
    texts,
    text: [],
    unsexed: unsexed.map(a => a.tag),
  }
  for (const dam of dams) {
    for (const sire of sires) {
      const { value } = judgePair(input(dam, sire, sires))
      bench.levels.push(PAIR_LEVELS.indexOf(value.level))
      bench.worths.push(Number(value.worth.toFixed(4)))
      bench.kinships.push(Number(value.youngF.toFixed(5)))
      bench.wishes.push(value.wish === null ? null : Number(value.wish.toFixed(4)))
      let index = at.get(value.text)
      if (index === undefined) {
        at.set(value.text, (index = texts.length))
        texts.push(value.text)
      }
      bench.text.push(index)
    }
  }
  return bench
}

/** One cell with its whole working; null for animals that are not of one species on the bench. */
export function benchCell(
  context: SeasonContext,
  damId: string,
  sireId: string,
  wishes: readonly BenchWish[],
): Judgement<PairVerdict> | null {
  const [dam, sire] = [context.house.animals[damId], context.house.animals[sireId]]
  if (!dam || !sire || !isOneSpecies(context.house, dam.speciesId, sire.speciesId)) return null
  const species = speciesOf(context.almanac, dam.speciesId)
  return hasMating(species) ? judgePair(pairInputs(context, species, wishes)(dam, sire)) : null
}
