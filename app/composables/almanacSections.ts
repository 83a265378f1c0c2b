import type {
  Climate,
  Almanac,
  BatchSigns,
  Cold,
  Fact,
  Feeder,
  Mating,
  Measure,
  RoundJob,
  Sexing,
  Species,
  SpeciesPart,
  Spread,
  Supply,
} from '#core/almanac'
import { EVENT_NAMES } from '#core/pairing'
import { JOB_WORDS } from '#core/subjects/jobWords'

export interface Row {
  label: string
  unit: string
  numbers: {
    label: string
    path: string
    value: number
    unit: string
    mark: Fact['mark']
    source?: string
    note?: string
    from?: string
  }[]
}
/** `parts` are set together on one form; numbers of all species have none. */
export type Section = [title: string, rows: Row[], parts?: readonly SpeciesPart[]]
const fact = (label: string, path: string, f: Fact): Row => ({
  label,
  unit: f.unit,
  numbers: [{ label, path: `${path}.value`, ...f }],
})
const spread = (label: string, path: string, s: Spread): Row => ({
  label,
  unit: s.unit,
  numbers: (['earliest', 'likely', 'latest'] as const).map(k => ({
    label: `${label}, ${k}`,
    path: `${path}.${k}`,
    value: s[k],
    unit: s.unit,
    mark: s.mark,
    source: s.source,
    note: s.note,
    from: s.from,
  })),
})

function coldRows(c: Cold, path: string): Row[] {
  return [
    fact('Hold', `${path}.holdC`, c.holdC),
    fact('Hold, low', `${path}.lowC`, c.lowC),
    fact('Hold, high', `${path}.highC`, c.highC),
    fact('Harmed below', `${path}.floorC`, c.floorC),
    fact('Not long over', `${path}.ceilingC`, c.ceilingC),
    fact('Warm', `${path}.warmC`, c.warmC),
    spread('Weeks', `${path}.weeks`, c.weeks),
    spread('Fasting before it', `${path}.gutClearDays`, c.gutClearDays),
    fact('Cooling down over', `${path}.stepDownDays`, c.stepDownDays),
    fact('Light', `${path}.lightHours`, c.lightHours),
    fact('Not younger than', `${path}.minAgeDays`, c.minAgeDays),
    fact('Watch at a loss of', `${path}.watchLoss`, c.watchLoss),
    fact('Take out at', `${path}.takeOutLoss`, c.takeOutLoss),
    ...(c.loss.by === 'month' ? [fact('Usual loss a month', `${path}.loss.share`, c.loss.share)] : []),
    fact('Noise of one weighing', `${path}.weighingNoise`, c.weighingNoise),
    fact('Size ratio of two in a tub', `${path}.sizeRatio`, c.sizeRatio),
    ...(c.rest
      ? [
          fact('Nights', `${path}.rest.nightC`, c.rest.nightC),
          fact('Food, of the usual', `${path}.rest.foodShare`, c.rest.foodShare),
          fact('Male in before its end', `${path}.rest.maleBeforeEndDays`, c.rest.maleBeforeEndDays),
        ]
      : []),
    spread('Warmth to first meal', `${path}.firstMeal`, c.firstMeal),
    spread('Warmth to first shed', `${path}.firstShed`, c.firstShed),
    spread('Regained a day', `${path}.regainPerDay`, c.regainPerDay),
  ]
}

const bySex = (label: string, path: string, by: { female: Measure; male: Measure } | undefined): Row[] =>
  by
    ? (['female', 'male'] as const).map(sex => ({
        label: `${label}, ${sex}: middle and spread`,
        unit: by[sex].unit,
        numbers: (['mean', 'sd'] as const).map(k => ({
          label: `${label}, ${sex}, ${k === 'mean' ? 'middle' : 'spread'}`,
          path: `${path}.${sex}.${k}`,
          value: by[sex][k],
          unit: by[sex].unit,
          mark: by[sex].mark,
          source: by[sex].source,
          note: by[sex].note,
          from: by[sex].from,
        })),
      }))
    : []
function sexRows(s: Sexing, path: string, almanac: Almanac): Row[] {
  return [
    ...bySex('Probe', `${path}.probe`, s.probe),
    ...(s.probeFromG ? [fact('Not probed under', `${path}.probeFromG`, s.probeFromG)] : []),
    ...bySex('Subcaudals', `${path}.subcaudals`, s.subcaudals),
    ...bySex('Tail', `${path}.tailShare`, s.tailShare),
    ...s.signs.flatMap(id => {
      const sign = almanac.signs[id]!
      return [
        fact(`${sign.name}, right when grown`, `signs.${id}.rightGrown`, sign.rightGrown),
        ...(sign.rightYoung ? [fact(`${sign.name}, right in young`, `signs.${id}.rightYoung`, sign.rightYoung)] : []),
      ]
    }),
    fact('Measurements that are wrong', 'common.sexSlip', almanac.common.sexSlip!),
    fact('Sex on a card that is right', 'common.sexStated', almanac.common.sexStated!),
  ]
}
function matingRows(m: Mating, path: string): Row[] {
  return [
    fact('Males from', `${path}.maleFromDays`, m.maleFromDays),
    fact('Females from', `${path}.femaleFromDays`, m.femaleFromDays),
    fact('Female at least', `${path}.femaleMassShare`, m.femaleMassShare),
    fact('Heavier over lighter at most', `${path}.sizeRatio`, m.sizeRatio),
    fact('A visit', `${path}.visitDays`, m.visitDays),
    fact('Rest between', `${path}.restDays`, m.restDays),
    fact('Locks wanted', `${path}.locksWanted`, m.locksWanted),
    fact('Females to a male', `${path}.females`, m.females),
    ...(m.follicles
      ? [
          spread('Follicles at ovulation', `${path}.follicles.ovulateMm`, m.follicles.ovulateMm),
          spread('Follicles grow', `${path}.follicles.mmPerDay`, m.follicles.mmPerDay),
        ]
      : []),
    fact('She rests below', `${path}.restBelow`, m.restBelow),
    fact('May go again from', `${path}.againFrom`, m.againFrom),
  ]
}

/** What the parts of a place are called. */
export const CLIMATE_WORDS: Record<string, string> = {
  spot: 'Basking spot',
  warm: 'Warm end',
  air: 'Air by day',
  cool: 'Cool end',
  night: 'Night',
  water: 'Water',
  humidity: 'Humidity',
  uvIndex: 'UV index',
}
const climateRows = (climate: Climate, path: string): Row[] =>
  Object.keys(CLIMATE_WORDS).flatMap(zone => {
    const band = climate[zone as keyof Climate]
    if (!band) return []
    const label = CLIMATE_WORDS[zone]!
    const ends = (['low', 'high'] as const).flatMap(
      k => fact(`${label}, ${k}`, `${path}.${zone}.${k}`, band[k]).numbers,
    )
    return [{ label, unit: band.low.unit, numbers: ends }]
  })

/** A name of the almanac as words: `lossWatch` is “Loss watch”. */
export const wordsOf = (key: string) =>
  key
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .toLowerCase()
    .replace(/^./, c => c.toUpperCase())

const YOUNG_PARTS = [
  'clutchSize',
  'fertility',
  'hatchRate',
  'larvalSurvival',
  'nextClutch',
  'survival90',
  'keptDays',
] as const satisfies readonly SpeciesPart[]

/** Numbers of a species with what they are called, in sections. */
export function speciesSections(s: Species, almanac: Almanac): Section[] {
  const p = `species.${s.id}`
  const rows: Section[] = [
    [
      'Clocks: earliest, likely, latest',
      Object.entries(s.clocks).map(([key, c]) =>
        spread(`${EVENT_NAMES[c.from]} → ${EVENT_NAMES[c.to]}`, `${p}.clocks.${key}.days`, c.days),
      ),
      ['clocks'],
    ],
    ...(s.climate ? ([['Its place: from, to', climateRows(s.climate, `${p}.climate`), ['climate']]] as Section[]) : []),
    ...(s.company
      ? ([
          [
            `Lives ${s.company.lives === 'alone' ? 'alone' : `in a group${s.company.oneMale ? ', one male' : ''}`}`,
            [
              ...(s.company.least ? [fact('At least', `${p}.company.least`, s.company.least)] : []),
              ...(s.company.most ? [fact('At most', `${p}.company.most`, s.company.most)] : []),
              ...(s.company.sizeRatio
                ? [fact('Heaviest against lightest', `${p}.company.sizeRatio`, s.company.sizeRatio)]
                : []),
            ],
            ['company'],
          ],
        ] as Section[])
      : []),
    ...(s.home
      ? ([
          [
            'The home of a grown one',
            [
              fact('Floor', `${p}.home.floorM2`, s.home.floorM2),
              ...(s.home.heightM ? [fact('Height', `${p}.home.heightM`, s.home.heightM)] : []),
              ...(s.home.furtherShare ? [fact('Each further one', `${p}.home.furtherShare`, s.home.furtherShare)] : []),
            ],
            ['home'],
          ],
        ] as Section[])
      : []),
    ...(s.rounds
      ? ([
          [
            'Care that comes round: every, late after',
            Object.entries(s.rounds).map(([job, r]) => ({
              label: JOB_WORDS[job as RoundJob].name,
              unit: 'days',
              numbers: [
                ...fact(`${JOB_WORDS[job as RoundJob].name}, every`, `${p}.rounds.${job}.everyDays`, r.everyDays)
                  .numbers,
                ...fact(
                  `${JOB_WORDS[job as RoundJob].name}, late after`,
                  `${p}.rounds.${job}.toleranceDays`,
                  r.toleranceDays,
                ).numbers,
              ],
            })),
            ['rounds'],
          ],
        ] as Section[])
      : []),
    ...(s.supplements
      ? ([
          [
            'Powders, every so many meals',
            [
              fact('Calcium', `${p}.supplements.calciumEvery`, s.supplements.calciumEvery),
              fact('Vitamins', `${p}.supplements.vitaminsEvery`, s.supplements.vitaminsEvery),
              fact('Vitamin D3', `${p}.supplements.d3Every`, s.supplements.d3Every),
            ],
            ['supplements'],
          ],
        ] as Section[])
      : []),
    ...(s.weaning
      ? ([
          [
            'From live prey to thawed',
            [
              fact('Taken by the third offer', `${p}.weaning.byThree`, s.weaning.byThree),
              fact('Taken by the twentieth', `${p}.weaning.byTwenty`, s.weaning.byTwenty),
            ],
            ['weaning'],
          ],
        ] as Section[])
      : []),
    [
      'Eggs and young',
      [
        spread('Clutch or litter', `${p}.clutchSize`, s.clutchSize),
        fact('Good eggs', `${p}.fertility`, s.fertility),
        fact('Hatch or birth alive', `${p}.hatchRate`, s.hatchRate),
        ...(s.larvalSurvival ? [fact('Tadpoles that turn', `${p}.larvalSurvival`, s.larvalSurvival)] : []),
        ...(s.nextClutch
          ? [
              spread('To the next laying', `${p}.nextClutch.days`, s.nextClutch.days),
              spread('Clutches a season', `${p}.nextClutch.perSeason`, s.nextClutch.perSeason),
              fact('Chance of another', `${p}.nextClutch.comes`, s.nextClutch.comes),
            ]
          : []),
        fact('Young alive at 90 days', `${p}.survival90`, s.survival90),
        fact('Days kept before sale', `${p}.keptDays`, s.keptDays),
      ],
      YOUNG_PARTS,
    ],
    ...(s.incubation
      ? [
          [
            'Incubation',
            [
              ...(s.incubation.phases ?? []).flatMap((phase, i) => [
                spread(phase.name, `${p}.incubation.phases.${i}.days`, phase.days),
                fact('In it, at least', `${p}.incubation.phases.${i}.lowC`, phase.lowC),
                fact('At most', `${p}.incubation.phases.${i}.highC`, phase.highC),
              ]),
              ...s.incubation.points.map((pt, i): Row => ({
                label: `At ${pt.tempC} °C`,
                unit: 'days',
                numbers: [
                  {
                    label: `Days at ${pt.tempC} °C`,
                    path: `${p}.incubation.points.${i}.days`,
                    value: pt.days,
                    unit: 'days',
                    mark: pt.mark,
                    source: pt.source,
                    note: pt.note,
                    from: pt.from,
                  },
                ],
              })),
              fact('Usual temperature', `${p}.incubation.usualTempC`, s.incubation.usualTempC),
              fact('Kills above', `${p}.incubation.lethalAboveC`, s.incubation.lethalAboveC),
              ...(s.incubation.pipToOut
                ? [spread('From pip to out', `${p}.incubation.pipToOut`, s.incubation.pipToOut)]
                : []),
            ],
          ] as Section,
        ]
      : []),
    ...(s.sexByTemperature
      ? [
          [
            'Sex by temperature',
            s.sexByTemperature.map((pt, i): Row => ({
              label: `At ${pt.tempC} °C`,
              unit: 'share female',
              numbers: [
                {
                  label: `Share female at ${pt.tempC} °C`,
                  path: `${p}.sexByTemperature.${i}.femaleShare`,
                  value: pt.femaleShare,
                  unit: 'share female',
                  mark: pt.mark,
                  source: pt.source,
                  note: pt.note,
                  from: pt.from,
                },
              ],
            })),
            ['sexByTemperature'],
          ] as Section,
        ]
      : []),
    ...(s.sexing
      ? ([
          [
            `Sexes (${{ ZW: 'ZW: females have one Z', XY: 'XY: males have one X', temperature: 'by temperature', clonal: 'all females', unknown: 'way not known' }[s.sexing.system]})`,
            sexRows(s.sexing, `${p}.sexing`, almanac),
            ['sexing'],
          ],
        ] as Section[])
      : []),
    ...(s.mating ? ([['Pairing', matingRows(s.mating, `${p}.mating`), ['mating']]] as Section[]) : []),
    ...(s.cold
      ? ([[s.winter === 'dormancy' ? 'Rest' : 'Cold', coldRows(s.cold, `${p}.cold`), ['winter', 'cold']]] as Section[])
      : []),
    ...(s.shellMass
      ? ([
          [
            'Mass for its length',
            [
              fact('Mass = constant × length³', `${p}.shellMass.gPerCm3`, s.shellMass.gPerCm3),
              fact('Light under', `${p}.shellMass.lowShare`, s.shellMass.lowShare),
              fact('Heavy over', `${p}.shellMass.highShare`, s.shellMass.highShare),
            ],
            ['shellMass'],
          ],
        ] as Section[])
      : []),
    [
      'Growth and weighing',
      [
        fact('Mature at', `${p}.matureDays`, s.matureDays),
        fact('Adult weight', `${p}.adultMassG`, s.adultMassG),
        fact('Young weight', `${p}.youngMassG`, s.youngMassG),
        fact('Weigh young every', `${p}.weighEveryDays.young`, s.weighEveryDays.young),
        fact('Weigh adults every', `${p}.weighEveryDays.adult`, s.weighEveryDays.adult),
        fact('Weigh in the cold every', `${p}.weighEveryDays.cold`, s.weighEveryDays.cold),
      ],
      ['matureDays', 'adultMassG', 'youngMassG', 'weighEveryDays'],
    ],
    [
      'What happens and goes unwritten, any species',
      Object.entries(almanac.common)
        .filter(([key]) => key.startsWith('unwritten'))
        .map(([key, f]) => fact(wordsOf(key.replace('unwritten', '')), `common.${key}`, f)),
    ],
    [
      'Health and year, any species',
      Object.entries(almanac.common)
        .filter(([key]) => !/^(unwritten|sex)/.test(key))
        .map(([key, f]) => fact(COMMON_WORDS[key] ?? wordsOf(key), `common.${key}`, f)),
    ],
  ]
  return rows
}

/** How a feeder comes, in words: `own batches, by the cup`. */
export function wayWords(way: Supply): string {
  if (way.kind === 'fresh') return `fresh, by the ${way.unit}`
  if (way.kind === 'colony') return `an own colony, by the ${way.unit}`
  if (way.kind === 'bought') return way.gathered ? `gathered, by the ${way.unit}` : `bought, by the ${way.unit}`
  return way.boughtProducing ? `bought about to yield, by the ${way.unit}` : `own batches, by the ${way.unit}`
}

/** Numbers of a feeder, in sections. */
export function feederSections(f: Feeder): Section[] {
  const p = `feeders.${f.id}`
  const supply = f.supply
  const rowsOf = (way: Supply, path: string): Row[] =>
    Object.entries(way).flatMap(([key, value]: [string, string | boolean | Fact | Spread | BatchSigns]) => {
      // a culture that comes by post does not wait for warmth
      const byWarmth = key === 'atTempC' || key === 'baseTempC'
      if (typeof value !== 'object' || (byWarmth && way.kind === 'batch' && way.boughtProducing)) return []
      if ('seen' in value) return signRows(value, `${path}.${key}`)
      const label = key
        .replace(/([A-Z])/g, ' $1')
        .toLowerCase()
        .replace('temp c', 'temperature')
      return ['earliest' in value ? spread(label, `${path}.${key}`, value) : fact(label, `${path}.${key}`, value)]
    })
  return [
    [`Supply: ${wayWords(supply)}`, rowsOf(supply, `${p}.supply`)],
    ...(f.otherWays ?? []).map((way, i): Section => [`Also: ${wayWords(way)}`, rowsOf(way, `${p}.otherWays.${i}`)]),
    ['Size', [spread('Weight of one', `${p}.massG`, f.massG)]],
    ['How one culture is started', recipeRows(f, p)],
    ['How a colony grows', colonyRows(f, p)],
  ]
}

const signRows = ({ seen, spread: differ, shownByFailing }: BatchSigns, path: string): Row[] => [
  ...seen.map(({ name, share }, i) => fact(`${name}: seen after, of the wait`, `${path}.seen.${i}.share`, share)),
  fact('cultures differ in it by', `${path}.spread`, differ),
  fact('shown by those that fail', `${path}.shownByFailing`, shownByFailing),
]

const recipeRows = ({ recipe }: Feeder, path: string): Row[] =>
  recipe
    ? [
        fact('founders', `${path}.recipe.founders`, recipe.founders),
        ...recipe.parts.map(({ what, amount }, i) => fact(what, `${path}.recipe.parts.${i}.amount`, amount)),
      ]
    : []

const colonyRows = ({ colony }: Feeder, path: string): Row[] =>
  colony
    ? [
        ...colony.stages.flatMap(({ name, days, survives }, i) => [
          fact(`${name}: last`, `${path}.colony.stages.${i}.days`, days),
          fact(`${name}: survive`, `${path}.colony.stages.${i}.survives`, survives),
        ]),
        fact('life once grown', `${path}.colony.adultDays`, colony.adultDays),
        fact('young a day of a grown one', `${path}.colony.youngPerDay`, colony.youngPerDay),
        fact('at', `${path}.colony.atTempC`, colony.atTempC),
        fact('nothing grows at', `${path}.colony.baseTempC`, colony.baseTempC),
        fact('one holds at most', `${path}.colony.capacity`, colony.capacity),
      ]
    : []
