import { feederOf, speciesOf, type Species } from '../almanac'
import { formatReading, formatTempRange } from '../channels'
import { climateAt, endOf, watchSpan } from '../climate'
import { temperatureAt } from '../places'
import { PREY_STATE_WORDS, leavingChecks, tellOffer, type AnimalState } from '../subjects'
import { formatFullDay, formatQuantity } from '../units'
import { inbreedingOf, kinOf, lociOf, sexOf } from './breeding'
import type { SeasonContext } from './context'

/** One part of what goes with an animal that leaves: lines, or rows of a label and what is said. */
export interface SheetPart {
  title: string
  rows?: readonly (readonly [label: string, said: string])[]
  lines?: readonly string[]
}
export interface HandOver {
  title: string
  about: string
  parts: SheetPart[]
}

/** So many of the latest meals and weights are told. */
const MEALS_TOLD = 10
const WEIGHTS_TOLD = 6
const DAYS_READ = 30

const percent = (share: number): string => `${Number((100 * share).toFixed(1))} %`

function sexSaid(animal: AnimalState, context: SeasonContext): string {
  const verdict = sexOf(animal, context).value
  if (verdict.state === 'proven') return `${verdict.sex}, proven`
  const judged =
    verdict.chance < 0.55 ? 'nothing tells yet' : `${verdict.sex} by what was seen, ${percent(verdict.chance)}`
  return animal.sex === 'unknown' ? `not known; ${judged}` : `${animal.sex} as stated; ${judged}`
}

function ancestry(animal: AnimalState, { house, almanac }: SeasonContext): (readonly [string, string])[] {
  const tagOf = (id: string | null) => (id ? (house.animals[id]?.tag ?? 'not known here') : 'not known')
  const sires = animal.sires.map(s => `${tagOf(s.id)}${s.chance < 1 ? `, ${percent(s.chance)}` : ''}`)
  const genes = lociOf(house, almanac, animal.speciesId).flatMap((locus): (readonly [string, string])[] => {
    const stated = animal.genes[locus.id]
    const look = animal.looks[locus.id]
    if (!stated && !look) return []
    return [
      [
        locus.name,
        [
          stated && `${stated.alleles.join('/')}${stated.chance < 1 ? `, ${percent(stated.chance)}` : ', stated'}`,
          look && `looks ${look.look || 'wild'}`,
        ]
          .filter(Boolean)
          .join('; '),
      ],
    ]
  })
  return [
    ['Dam', tagOf(animal.damId)],
    ['Sire', sires.join(' or ') || (animal.clonal ? 'none: her clone' : 'not known')],
    ['Inbreeding, by what is known', percent(inbreedingOf(kinOf(house), animal.id))],
    ...genes,
  ]
}

const CLIMATE = [
  ['Basking spot', 'spot'],
  ['Warm end', 'warm'],
  ['Air by day', 'air'],
  ['Cool end', 'cool'],
  ['Night', 'night'],
  ['Water', 'water'],
  ['Humidity', 'humidity'],
  ['UV index where it sits', 'uvIndex'],
] as const

function care({ climate, ladder }: Species): (readonly [string, string])[] {
  return [
    ...CLIMATE.flatMap(([label, key]): (readonly [string, string])[] => {
      const band = climate?.[key]
      return band ? [[label, `${band.low.value}–${band.high.value} ${band.low.unit}`.trim()]] : []
    }),
    ['Grown, it eats every', `${ladder.at(-1)!.everyDays} days`],
  ]
}

/** What the place of an animal was set to, and read lately. */
function warmth(
  { placeId }: AnimalState,
  { house, settings: { tempUnit } }: SeasonContext,
): (readonly [string, string])[] {
  const set = temperatureAt(house.places, placeId)
  const log = climateAt(house, placeId)?.log
  const span = log && watchSpan(log, endOf(log) - 24 * DAYS_READ, endOf(log))
  return [
    ...(set === null ? [] : ([['Set to', formatQuantity(set, tempUnit)]] as const)),
    ...(span && span.mean !== null
      ? ([
          [
            `Read in the last ${DAYS_READ} days`,
            `${formatTempRange(span.lowest!, span.highest!, tempUnit)}, mean ${formatReading('temperature', span.mean, tempUnit)}`,
          ],
        ] as const)
      : []),
  ]
}

/**
 * What goes with an animal to its new keeper: what it ate and how, what it weighed, its sex and genes with how sure they
 * are, where it comes from, how it was kept, and what to mind. Only what is written or computed here; what is not known
 * is said to be so.
 */
export function handOverSheet(animal: AnimalState, context: SeasonContext): HandOver {
  const { house, almanac, settings, today } = context
  const species = speciesOf(almanac, animal.speciesId)
  const mass = (g: number) => formatQuantity(g, settings.massUnit)
  const checks = leavingChecks(animal, species, house, almanac.common, today)
  const wrong = checks.filter(c => c.is === 'wrong')
  const last = animal.meals.filter(m => m.taken > 0).at(-1)
  const meals = animal.meals
    .slice(-MEALS_TOLD)
    .reverse()
    .map((m): readonly [string, string] => {
      const { one, many } = feederOf(almanac, m.prey)
      const how = tellOffer(m)
      const took = m.taken === 0 ? 'refused' : m.taken < m.offered ? `took ${m.taken} of` : 'took'
      return [formatFullDay(m.day), `${took} ${m.offered} ${m.offered === 1 ? one : many}${how ? `: ${how}` : ''}`]
    })
  const warm = warmth(animal, context)
  return {
    title: `${animal.tag}${animal.name ? ` ${animal.name}` : ''}`,
    about: `${species.name}${species.latin ? `, ${species.latin}` : ''}; from ${settings.houseName}, ${formatFullDay(today)}`,
    parts: [
      {
        title: 'What it is',
        rows: [
          ['Sex', sexSaid(animal, context)],
          ['Born', animal.bornDay === null ? 'not known' : formatFullDay(animal.bornDay)],
          ...ancestry(animal, context),
        ],
      },
      {
        title: 'What it eats',
        rows: [
          [
            'Takes',
            last
              ? `${feederOf(almanac, last.prey).one}, ${last.state ? PREY_STATE_WORDS[last.state] : 'live or thawed is not written'}`
              : 'nothing is written that it took',
          ],
          ...meals,
        ],
      },
      {
        title: 'What it weighed',
        rows: animal.weights.length
          ? animal.weights
              .slice(-WEIGHTS_TOLD)
              .reverse()
              .map(w => [formatFullDay(w.day), mass(w.massG)] as const)
          : [['Weight', 'not written']],
      },
      {
        title: 'Before it leaves',
        lines: wrong.length
          ? wrong.map(c => `${c.label}: ${c.said}`)
          : ['Eats by itself, holds its weight, and nothing is written against it.'],
      },
      ...(animal.lastShed ? [{ title: 'Last shed', lines: [formatFullDay(animal.lastShed.day)] }] : []),
      ...(warm.length ? [{ title: 'How warm it lived', rows: warm }] : []),
      { title: 'Its care in short', rows: care(species) },
      { title: 'Mind', lines: species.cautions },
    ],
  }
}

/** The sheet as Markdown, to be sent or printed. */
export function handOverText({ title, about, parts }: HandOver): string {
  const cell = (text: string) => text.replaceAll('|', '\\|')
  return [
    `# ${title}`,
    '',
    about,
    '',
    ...parts.flatMap(({ title, rows, lines }) => [
      `## ${title}`,
      '',
      ...(rows?.length
        ? ['| | |', '|---|---|', ...rows.map(([label, said]) => `| ${cell(label)} | ${cell(said)} |`)]
        : []),
      ...(lines?.map(line => `- ${line}`) ?? []),
      '',
    ]),
  ].join('\n')
}
