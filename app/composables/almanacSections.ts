import type { Climate, Almanac, Cold, Mating, Measure, RoundJob, Sexing, Species, SpeciesPart } from '#core/almanac'
import { factRow, spreadRow, type Row, type Section } from './almanacRows'
import { COMMON_SECTIONS } from './commonWords'
import { EVENT_NAMES } from '#core/pairing'
import { JOB_WORDS } from '#core/subjects/jobWords'

function coldRows(c: Cold, path: string): Row[] {
  return [
    factRow('Hold', `${path}.holdC`, c.holdC),
    factRow('Hold, low', `${path}.lowC`, c.lowC),
    factRow('Hold, high', `${path}.highC`, c.highC),
    factRow('Harmed below', `${path}.floorC`, c.floorC),
    factRow('Not long over', `${path}.ceilingC`, c.ceilingC),
    factRow('Warm', `${path}.warmC`, c.warmC),
    spreadRow('Weeks', `${path}.weeks`, c.weeks),
    spreadRow('Fasting before it', `${path}.gutClearDays`, c.gutClearDays),
    factRow('Cooling down over', `${path}.stepDownDays`, c.stepDownDays),
    factRow('Light', `${path}.lightHours`, c.lightHours),
    factRow('Not younger than', `${path}.minAgeDays`, c.minAgeDays),
    factRow('Watch at a loss of', `${path}.watchLoss`, c.watchLoss),
    factRow('Take out at', `${path}.takeOutLoss`, c.takeOutLoss),
    ...(c.loss.by === 'month' ? [factRow('Usual loss a month', `${path}.loss.share`, c.loss.share)] : []),
    factRow('Noise of one weighing', `${path}.weighingNoise`, c.weighingNoise),
    factRow('Size ratio of two in a tub', `${path}.sizeRatio`, c.sizeRatio),
    ...(c.rest
      ? [
          factRow('Nights', `${path}.rest.nightC`, c.rest.nightC),
          factRow('Food, of the usual', `${path}.rest.foodShare`, c.rest.foodShare),
          factRow('Male in before its end', `${path}.rest.maleBeforeEndDays`, c.rest.maleBeforeEndDays),
        ]
      : []),
    spreadRow('Warmth to first meal', `${path}.firstMeal`, c.firstMeal),
    spreadRow('Warmth to first shed', `${path}.firstShed`, c.firstShed),
    spreadRow('Regained a day', `${path}.regainPerDay`, c.regainPerDay),
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
    ...(s.probeFromG ? [factRow('Not probed under', `${path}.probeFromG`, s.probeFromG)] : []),
    ...bySex('Subcaudals', `${path}.subcaudals`, s.subcaudals),
    ...bySex('Tail', `${path}.tailShare`, s.tailShare),
    ...s.signs.flatMap(id => {
      const sign = almanac.signs[id]!
      return [
        factRow(`${sign.name}, right when grown`, `signs.${id}.rightGrown`, sign.rightGrown),
        ...(sign.rightYoung
          ? [factRow(`${sign.name}, right in young`, `signs.${id}.rightYoung`, sign.rightYoung)]
          : []),
      ]
    }),
    factRow('Measurements that are wrong', 'common.sexSlip', almanac.common.sexSlip!),
    factRow('Sex on a card that is right', 'common.sexStated', almanac.common.sexStated!),
  ]
}
function matingRows(m: Mating, path: string): Row[] {
  return [
    factRow('Males from', `${path}.maleFromDays`, m.maleFromDays),
    factRow('Females from', `${path}.femaleFromDays`, m.femaleFromDays),
    factRow('Female at least', `${path}.femaleMassShare`, m.femaleMassShare),
    factRow('Heavier over lighter at most', `${path}.sizeRatio`, m.sizeRatio),
    factRow('A visit', `${path}.visitDays`, m.visitDays),
    factRow('Rest between', `${path}.restDays`, m.restDays),
    factRow('Locks wanted', `${path}.locksWanted`, m.locksWanted),
    factRow('Females to a male', `${path}.females`, m.females),
    ...(m.follicles
      ? [
          spreadRow('Follicles at ovulation', `${path}.follicles.ovulateMm`, m.follicles.ovulateMm),
          spreadRow('Follicles grow', `${path}.follicles.mmPerDay`, m.follicles.mmPerDay),
        ]
      : []),
    factRow('She rests below', `${path}.restBelow`, m.restBelow),
    factRow('May go again from', `${path}.againFrom`, m.againFrom),
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
      k => factRow(`${label}, ${k}`, `${path}.${zone}.${k}`, band[k]).numbers,
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
        spreadRow(`${EVENT_NAMES[c.from]} → ${EVENT_NAMES[c.to]}`, `${p}.clocks.${key}.days`, c.days),
      ),
      ['clocks'],
    ],
    ...(s.climate ? ([['Its place: from, to', climateRows(s.climate, `${p}.climate`), ['climate']]] as Section[]) : []),
    ...(s.company
      ? ([
          [
            `Lives ${s.company.lives === 'alone' ? 'alone' : `in a group${s.company.oneMale ? ', one male' : ''}`}`,
            [
              ...(s.company.least ? [factRow('At least', `${p}.company.least`, s.company.least)] : []),
              ...(s.company.most ? [factRow('At most', `${p}.company.most`, s.company.most)] : []),
              ...(s.company.sizeRatio
                ? [factRow('Heaviest against lightest', `${p}.company.sizeRatio`, s.company.sizeRatio)]
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
              factRow('Floor', `${p}.home.floorM2`, s.home.floorM2),
              ...(s.home.heightM ? [factRow('Height', `${p}.home.heightM`, s.home.heightM)] : []),
              ...(s.home.furtherShare
                ? [factRow('Each further one', `${p}.home.furtherShare`, s.home.furtherShare)]
                : []),
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
                ...factRow(`${JOB_WORDS[job as RoundJob].name}, every`, `${p}.rounds.${job}.everyDays`, r.everyDays)
                  .numbers,
                ...factRow(
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
              factRow('Calcium', `${p}.supplements.calciumEvery`, s.supplements.calciumEvery),
              factRow('Vitamins', `${p}.supplements.vitaminsEvery`, s.supplements.vitaminsEvery),
              factRow('Vitamin D3', `${p}.supplements.d3Every`, s.supplements.d3Every),
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
              factRow('Taken by the third offer', `${p}.weaning.byThree`, s.weaning.byThree),
              factRow('Taken by the twentieth', `${p}.weaning.byTwenty`, s.weaning.byTwenty),
            ],
            ['weaning'],
          ],
        ] as Section[])
      : []),
    [
      'Eggs and young',
      [
        spreadRow('Clutch or litter', `${p}.clutchSize`, s.clutchSize),
        factRow('Good eggs', `${p}.fertility`, s.fertility),
        factRow('Hatch or birth alive', `${p}.hatchRate`, s.hatchRate),
        ...(s.larvalSurvival ? [factRow('Tadpoles that turn', `${p}.larvalSurvival`, s.larvalSurvival)] : []),
        ...(s.nextClutch
          ? [
              spreadRow('To the next laying', `${p}.nextClutch.days`, s.nextClutch.days),
              spreadRow('Clutches a season', `${p}.nextClutch.perSeason`, s.nextClutch.perSeason),
              factRow('Chance of another', `${p}.nextClutch.comes`, s.nextClutch.comes),
            ]
          : []),
        factRow('Young alive at 90 days', `${p}.survival90`, s.survival90),
        factRow('Days kept before sale', `${p}.keptDays`, s.keptDays),
      ],
      YOUNG_PARTS,
    ],
    ...(s.incubation
      ? [
          [
            'Incubation',
            [
              ...(s.incubation.phases ?? []).flatMap((phase, i) => [
                spreadRow(phase.name, `${p}.incubation.phases.${i}.days`, phase.days),
                factRow('In it, at least', `${p}.incubation.phases.${i}.lowC`, phase.lowC),
                factRow('At most', `${p}.incubation.phases.${i}.highC`, phase.highC),
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
              factRow('Usual temperature', `${p}.incubation.usualTempC`, s.incubation.usualTempC),
              factRow('Kills above', `${p}.incubation.lethalAboveC`, s.incubation.lethalAboveC),
              ...(s.incubation.pipToOut
                ? [spreadRow('From pip to out', `${p}.incubation.pipToOut`, s.incubation.pipToOut)]
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
              factRow('Mass = constant × length³', `${p}.shellMass.gPerCm3`, s.shellMass.gPerCm3),
              factRow('Light under', `${p}.shellMass.lowShare`, s.shellMass.lowShare),
              factRow('Heavy over', `${p}.shellMass.highShare`, s.shellMass.highShare),
            ],
            ['shellMass'],
          ],
        ] as Section[])
      : []),
    [
      'Growth and weighing',
      [
        factRow('Mature at', `${p}.matureDays`, s.matureDays),
        factRow('Adult weight', `${p}.adultMassG`, s.adultMassG),
        factRow('Young weight', `${p}.youngMassG`, s.youngMassG),
        factRow('Weigh young every', `${p}.weighEveryDays.young`, s.weighEveryDays.young),
        factRow('Weigh adults every', `${p}.weighEveryDays.adult`, s.weighEveryDays.adult),
        factRow('Weigh in the cold every', `${p}.weighEveryDays.cold`, s.weighEveryDays.cold),
      ],
      ['matureDays', 'adultMassG', 'youngMassG', 'weighEveryDays'],
    ],
  ]
  return rows
}

/** Numbers that hold for every species, by what they are about. */
export function commonSections({ common }: Pick<Almanac, 'common'>): Section[] {
  const rowOf = (key: string, label: string) => factRow(label, `common.${key}`, common[key]!)
  const unwritten = Object.keys(common).filter(key => UNWRITTEN.test(key))
  return [
    ...COMMON_SECTIONS.map(([title, words]): Section => [
      title,
      Object.entries(words)
        .filter(([key]) => common[key])
        .map(([key, label]) => rowOf(key, label)),
    ]),
    ['What happens and goes unwritten', unwritten.map(key => rowOf(key, wordsOf(key.replace('unwritten', ''))))],
  ]
}
/** Shares of what is never written, by what happened. */
const UNWRITTEN = /^unwritten(?!Cycles)/
