import type { Almanac, Band, Fact, Species, Spread } from './schema'

const MARK_WORDS = {
  published: 'published',
  practice: 'common practice',
  memory: 'from memory',
  borrowed: 'borrowed',
  own: 'own number',
} as const

type Provenance = Pick<Fact, 'mark' | 'source' | 'from' | 'note'>

const whence = ({ mark, from, note }: Provenance, sources: string | undefined) =>
  [MARK_WORDS[mark] + (from ? ` from ${from}` : ''), sources, note].filter(Boolean).join('; ')

/** `, at least 50 % of it itself`, of a meal that other prey may stand for only in part; else nothing. */
export const tellLeast = ({ least }: Species['ladder'][number]['meal'][number]): string =>
  least ? `, at least ${Math.round(100 * least)} % of it itself` : ''

/** A species as a sheet to read and to print, in Markdown. */
export function readableSheet(species: Species, almanac: Almanac): string {
  const source = (p: Provenance) => (p.source ? almanac.sources[p.source] : undefined)
  const line = (label: string, value: string, p: Provenance) => `| ${label} | ${value} | ${whence(p, source(p))} |`
  const fact = (label: string, f: Fact | undefined) => (f ? [line(label, `${f.value} ${f.unit}`, f)] : [])
  const spread = (label: string, s: Spread | undefined) =>
    s ? [line(label, `${s.earliest} – ${s.likely} – ${s.latest} ${s.unit}`, s)] : []
  const table = (rows: string[]) => (rows.length ? ['| | | from |', '|---|---|---|', ...rows, ''] : [])
  const { climate, cold, incubation, nextClutch, rounds, supplements } = species
  const band = (label: string, b: Band | undefined) =>
    b ? [line(label, `${b.low.value} – ${b.high.value} ${b.low.unit}`, b.low)] : []
  return [
    `# ${species.name}`,
    '',
    ...(species.latin ? [`*${species.latin}*`, ''] : []),
    ...species.cautions.map(c => `> ${c}`),
    ...(species.never?.length
      ? ['', `Not given to it: ${species.never.map(id => almanac.feeders[id]?.name ?? id).join(', ')}.`]
      : []),
    '',
    '## Growth',
    '',
    ...table([
      ...fact('Young', species.youngMassG),
      ...fact('Adult', species.adultMassG),
      ...fact('Mature at', species.matureDays),
    ]),
    ...(climate
      ? [
          '## Its place',
          '',
          ...table([
            ...band('Basking spot', climate.spot),
            ...band('Warm end', climate.warm),
            ...band('Air by day', climate.air),
            ...band('Cool end', climate.cool),
            ...band('Night', climate.night),
            ...band('Water', climate.water),
            ...band('Humidity', climate.humidity),
            ...band('UV index', climate.uvIndex),
          ]),
        ]
      : []),
    ...(rounds
      ? [
          '## Care that comes round',
          '',
          ...table(
            Object.entries(rounds).flatMap(([job, r]) =>
              fact(
                job.replace(/([A-Z])/g, ' $1').replace(/^./, c => c.toUpperCase()),
                r.everyDays,
              ),
            ),
          ),
        ]
      : []),
    ...(supplements
      ? [
          '## Powders, every so many meals',
          '',
          ...table([
            ...fact('Calcium', supplements.calciumEvery),
            ...fact('Vitamins', supplements.vitaminsEvery),
            ...fact('Vitamin D3', supplements.d3Every),
          ]),
        ]
      : []),
    ...(species.weaning
      ? [
          '## From live prey to thawed',
          '',
          ...table([
            ...fact('Taken by the third offer', species.weaning.byThree),
            ...fact('Taken by the twentieth', species.weaning.byTwenty),
          ]),
        ]
      : []),
    '## From one event to the next',
    '',
    ...table(Object.values(species.clocks).flatMap(c => spread(`${c.from} → ${c.to}`, c.days))),
    '## Eggs and young',
    '',
    ...table([
      ...spread('Clutch or litter', species.clutchSize),
      ...fact('Good eggs', species.fertility),
      ...fact('Hatch or birth alive', species.hatchRate),
      ...(nextClutch ? spread('To the next laying', nextClutch.days) : []),
    ]),
    ...(incubation
      ? [
          '## Incubation',
          '',
          ...table([
            ...(incubation.phases ?? []).flatMap(p => spread(p.name, p.days)),
            ...incubation.points.map(p => line(`At ${p.tempC} °C`, `${p.days} days`, p)),
            ...fact('Kills above', incubation.lethalAboveC),
            ...(incubation.pipToOut ? spread('From pip to out', incubation.pipToOut) : []),
          ]),
        ]
      : []),
    ...(cold ? ['## Winter', '', ...table([...fact('Hold', cold.holdC), ...spread('Weeks', cold.weeks)])] : []),
    '## Feeding ladder, in days from the first meal',
    '',
    ...table(
      species.ladder.map(s =>
        line(
          `From day ${s.fromDay}, every ${s.everyDays} d`,
          s.meal
            .map(
              m =>
                `${m.count} ${m.count === 1 ? almanac.feeders[m.prey]?.one : almanac.feeders[m.prey]?.many}${tellLeast(m)}`,
            )
            .join(' and '),
          s,
        ),
      ),
    ),
  ].join('\n')
}
