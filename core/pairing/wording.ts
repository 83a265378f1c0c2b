import { schoolChoice } from '../almanac'
import { computedInput, entryInput, factInput, settingInput, type Input, type Reason } from '../judgement'
import { formatDay, formatDistance } from '../units'
import type { Finding, PairInput } from './findings'

/** What a rule of a pair found, in a few words (none where it speaks for itself), and with its working. */
export interface Told {
  text: string
  reason: Reason
}

type Words = { [C in Finding['code']]: (finding: Extract<Finding, { code: C }>, input: PairInput) => Told }

const percent = (share: number, digits = 1) => `${(share * 100).toFixed(digits)} %`

const WORDS: Words = {
  oneAnimal: () => ({
    text: 'An animal is not its own mate',
    reason: { rule: 'An animal is not its own mate', inputs: [] },
  }),

  gone: ({ side }, input) => {
    const { tag, status } = input[side].animal
    return { text: `${tag} is not here`, reason: { rule: 'Both are here', inputs: [computedInput(tag, status)] } }
  },

  quarantine({ side }, input) {
    const { animal, apart } = input[side]
    return {
      text: `${animal.tag} is in quarantine`,
      reason: {
        rule: 'What comes new meets nobody until its quarantine is over',
        inputs: [computedInput(animal.tag, apart!)],
        change: 'The end of its quarantine, and a clear test',
      },
    }
  },

  rests: ({ why }, { dam: { animal } }) => ({
    text: `${animal.tag} rests: ${why}`,
    reason: {
      rule: 'At the first sign of exhaustion she rests to the next season',
      inputs: [computedInput(animal.tag, why)],
    },
  }),

  health({ ill }, input) {
    const rule = 'Only well animals are paired'
    if (!ill) return { text: '', reason: { rule, inputs: [] } }
    const { tag, unwell } = input[ill].animal
    return {
      text: `${tag} is not well`,
      reason: { rule, inputs: [entryInput(`${tag} not well`, formatDay(unwell!.day, input.today), unwell!)] },
    }
  },

  age({ sides, until }, input) {
    const { species, today } = input
    const { femaleFromDays, maleFromDays } = species.mating
    const path = `species.${species.id}.mating`
    const inputs = sides.flatMap((side): Input[] => {
      const { bornDay, tag } = input[side].animal
      return [
        computedInput(`Age of ${tag}`, bornDay === null ? 'not known' : `${today - bornDay} days`),
        side === 'dam'
          ? factInput('Females from', `${path}.femaleFromDays.value`, femaleFromDays)
          : factInput('Males from', `${path}.maleFromDays.value`, maleFromDays),
      ]
    })
    const rule = 'Old enough to breed'
    if (until === null) return { text: '', reason: { rule, inputs } }
    const { tag } = input[sides.at(-1)!].animal
    return { text: `${tag} is too young until ${formatDay(until, today)}`, reason: { rule, inputs, change: 'Time' } }
  },

  weight({ leastG }, { species, almanac, dam: { animal } }) {
    const { tag } = animal
    const last = animal.weights.at(-1)
    const least = `${Math.round(leastG)} g`
    return {
      text: !last
        ? `weigh ${tag} first`
        : last.massG < leastG
          ? `${tag} weighs ${last.massG} g, under ${least}: wait a year`
          : '',
      reason: {
        rule: 'A female not yet heavy enough waits a year; no harm done',
        change: 'A weight',
        inputs: [
          last ? entryInput(`${tag} weighs`, `${last.massG} g`, last) : computedInput(`${tag} weighs`, 'not known'),
          computedInput('Least', least),
          factInput(
            'Share of a usual adult',
            `species.${species.id}.mating.femaleMassShare.value`,
            species.mating.femaleMassShare,
          ),
          factInput('Usual adult', `species.${species.id}.adultMassG.value`, species.adultMassG),
          ...(last ? [] : [factInput('Counted as', 'common.pairUnweighed.value', almanac.common.pairUnweighed!)]),
        ],
      },
    }
  },

  sizeNotKnown({ side }, input) {
    const { almanac, today } = input
    const { tag, weights } = input[side].animal
    const last = weights.at(-1)
    return {
      text: `weigh ${tag} first${last ? `: last ${formatDistance(last.day, today)}` : ''}`,
      reason: {
        rule: 'They eat snakes: both sizes must be known before they meet',
        inputs: [
          last
            ? entryInput(`${tag} weighed`, `${last.massG} g, ${formatDay(last.day, today)}`, last)
            : computedInput(`${tag} weighs`, 'not known'),
          factInput('A weight counts for', 'common.sizeKnown.value', almanac.common.sizeKnown!),
          factInput('Counted as', 'common.pairSizeUnknown.value', almanac.common.pairSizeUnknown!),
        ],
        change: 'A weight',
      },
    }
  },

  sizes({ ratio }, { species, almanac, sire: { animal } }) {
    const { eatsMates, sizeRatio } = species.mating
    const weight = animal.weights.at(-1)!
    const apart = ratio > sizeRatio.value
    return {
      text: apart ? `${ratio.toFixed(1)} × apart in size` : '',
      reason: {
        rule: eatsMates ? 'They eat snakes: a mate much smaller is prey' : 'A mate much smaller is at risk',
        inputs: [
          computedInput('Heavier over lighter', `${ratio.toFixed(1)} ×`),
          factInput('At most', `species.${species.id}.mating.sizeRatio.value`, sizeRatio),
          entryInput(`${animal.tag} weighs`, `${weight.massG} g`, weight),
          ...(apart && !eatsMates
            ? [factInput('Counted as', 'common.pairApart.value', almanac.common.pairApart!)]
            : []),
        ],
      },
    }
  },

  sexes({ chance, lessSure }, input) {
    const { dam, sire, almanac } = input
    const { pairSexLeast, pairSexSure } = almanac.common
    const { animal, sexChance } = input[lessSure]
    const role = lessSure === 'dam' ? 'female' : 'male'
    return {
      text:
        chance < pairSexLeast!.value
          ? `${animal.tag} is not known to be a ${role}`
          : `${animal.tag} is a ${role} by ${percent(sexChance, 0)} only`,
      reason: {
        rule: 'Of opposite sex, as far as their sexes are known',
        inputs: [
          computedInput(`${dam.animal.tag} a female`, percent(dam.sexChance)),
          computedInput(`${sire.animal.tag} a male`, percent(sire.sexChance)),
          factInput('Not put together under', 'common.pairSexLeast.value', pairSexLeast!),
          factInput('Doubtful under', 'common.pairSexSure.value', pairSexSure!),
        ],
        change: 'Further evidence of its sex',
      },
    }
  },

  kin({ limit }, { almanac, schools, species, dam, sire, kinship }) {
    const school = schoolChoice(almanac, schools, 'inbreeding', species.id)
    const inbred = `young inbred by ${percent(kinship)}`
    return {
      text: kinship > limit + 1e-9 ? `too near kin: ${inbred}` : kinship > 0 ? `kin: ${inbred}` : '',
      reason: {
        rule: `Kinship of the two is the inbreeding of their young. School: ${school.name.toLowerCase()}`,
        change: 'Parents stated, or another school for the house or the species',
        inputs: [
          computedInput('Inbreeding of the young', percent(kinship)),
          factInput('At most', 'schools.inbreeding', school.fact!),
          factInput('Doubtful over, of that', 'common.pairKinPart.value', almanac.common.pairKinPart!),
          factInput('and over', 'common.pairKinFrom.value', almanac.common.pairKinFrom!),
          settingInput(school.name, school.reason, 'schools'),
          factInput('Vigour left is exp(−this · F)', 'common.inbreedingLoad.value', almanac.common.inbreedingLoad!),
          computedInput(
            'Mean kinship',
            `${dam.animal.tag} ${percent(dam.meanKinship)}, ${sire.animal.tag} ${percent(sire.meanKinship)}; rarer genes first`,
          ),
        ],
      },
    }
  },

  fertility: ({ good, low }, { almanac, species, past }) => ({
    text: low ? `${percent(good, 0)} good eggs expected` : '',
    reason: {
      rule: past.eggs
        ? 'Good eggs so far, drawn towards the species while few are known'
        : 'No eggs are known of them yet: the species’ usual fertility',
      inputs: [
        computedInput('Eggs', `${past.eggs}, of them slugs ${past.slugs}`),
        factInput('Usual', `species.${species.id}.fertility.value`, species.fertility),
        factInput('Weighs as', 'common.fertilityShrink.value', almanac.common.fertilityShrink!),
        computedInput('Expected', `${percent(good, 0)} good`),
        factInput('Doubtful under, of the usual', 'common.pairFewGood.value', almanac.common.pairFewGood!),
      ],
    },
  }),

  injury: (injury, { almanac, today }) => ({
    text: 'injured together lately',
    reason: {
      rule: 'Not together again until an injury has healed',
      inputs: [
        factInput('Healed after', 'common.injuryHeals.value', almanac.common.injuryHeals!),
        entryInput('Injured', formatDay(injury.day, today), injury),
      ],
    },
  }),

  rejections: (_, { almanac, past }) => ({
    text: `rejected ${past.rejections} ×`,
    reason: {
      rule: 'Each rejection in this season counts against them',
      inputs: [
        computedInput('Rejections', `${past.rejections}`),
        factInput('Counted for', 'common.rejectionCounts.value', almanac.common.rejectionCounts!),
        factInput('Each counts as', 'common.pairRejected.value', almanac.common.pairRejected!),
      ],
    },
  }),

  notCooled: ({ side }, input) => ({
    text: '',
    reason: {
      rule: `${input[side].animal.tag}: no winter of this season is known, which often means fewer eggs or less sperm`,
      inputs: [factInput('Counted as', 'common.notCooled.value', input.almanac.common.notCooled!)],
      change: 'Cooling it, or writing that it was',
    },
  }),

  ready({ side }, input) {
    const { animal, ready } = input[side]
    const said = `${animal.tag}: ${ready!.text}`
    return {
      text: ready!.now ? '' : said,
      reason: { rule: said, inputs: ready!.reasons.flatMap(r => r.inputs).slice(0, 6) },
    }
  },

  wish: ({ chance }) => ({
    text: chance <= 0 ? 'none of its young is as wished' : `${percent(chance, 0)} as wished`,
    reason: {
      rule: 'Chance that a young is as wished',
      inputs: [computedInput('As wished', percent(chance))],
      change: 'Another wish, or genotypes stated',
    },
  }),
}

/** What a rule of a pair found, in words. */
export const tellFinding = <F extends Finding>(finding: F, input: PairInput): Told =>
  (WORDS[finding.code] as (f: F, i: PairInput) => Told)(finding, input)

/** The working of a rule with its part of the worth, where it takes any off. */
export const withFactor = (reason: Reason, factor: number): Reason =>
  Math.abs(factor - 1) < 0.005 ? reason : { ...reason, rule: `${reason.rule}: × ${factor.toFixed(2)}` }

/** What is said beside the pair of a species that may harm its mate or its keeper. */
export function pairCaution({ mating, sexing }: Pick<PairInput['species'], 'mating' | 'sexing'>): string | null {
  if (mating.eatsMates) return 'Eats snakes: never two unattended. Feed both apart, two days before.'
  return sexing?.venomous ? 'Venomous: trained, licensed keepers only, never alone.' : null
}
