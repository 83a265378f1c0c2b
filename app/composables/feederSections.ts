import { unitName, type BatchSigns, type Fact, type Feeder, type Spread, type Supply } from '#core/almanac'
import { factRow, spreadRow, type Row, type Section } from './almanacRows'

/** How a feeder comes, in words: `own batches, by the cup`. */
export function wayWords(way: Supply): string {
  if (way.kind === 'fresh') return `fresh, by the ${way.unit}`
  if (way.kind === 'colony') return `an own colony, by the ${way.unit}`
  if (way.kind === 'bought')
    return `${way.gathered ? 'gathered' : way.frozen ? 'bought frozen' : 'bought'}, by the ${unitName(way)}`
  return way.boughtProducing ? `bought about to yield, by the ${way.unit}` : `own batches, by the ${way.unit}`
}

type Batch = Extract<Supply, { kind: 'batch' }>
type Parts = NonNullable<Batch['secondFlush'] | Batch['shake']>
const PART_LABELS: Record<string, string> = {
  firstDays: 'first flush lasts',
  afterDays: 'second flush begins after',
  share: 'second flush gives, of all',
  light: 'shaken out lightly',
  usual: 'shaken out',
  hard: 'shaken out hard',
}

/** Numbers of a feeder, in sections. */
export function feederSections(f: Feeder): Section[] {
  const p = `feeders.${f.id}`
  const supply = f.supply
  const rowsOf = (way: Supply, path: string): Row[] =>
    Object.entries(way).flatMap(([key, value]: [string, string | boolean | Fact | Spread | BatchSigns | Parts]) => {
      // a culture that comes by post does not wait for warmth
      const byWarmth = key === 'atTempC' || key === 'baseTempC'
      if (typeof value !== 'object' || (byWarmth && way.kind === 'batch' && way.boughtProducing)) return []
      if ('seen' in value) return signRows(value, `${path}.${key}`)
      if ('afterDays' in value || 'usual' in value)
        return Object.entries(value).map(([part, fact]) => factRow(PART_LABELS[part]!, `${path}.${key}.${part}`, fact))
      const label = key
        .replace(/([A-Z])/g, ' $1')
        .toLowerCase()
        .replace('temp c', 'temperature')
      return ['earliest' in value ? spreadRow(label, `${path}.${key}`, value) : factRow(label, `${path}.${key}`, value)]
    })
  return [
    [`Supply: ${wayWords(supply)}`, rowsOf(supply, `${p}.supply`)],
    ...(f.otherWays ?? []).map((way, i): Section => [`Also: ${wayWords(way)}`, rowsOf(way, `${p}.otherWays.${i}`)]),
    [
      'Size',
      [
        spreadRow('Weight of one', `${p}.massG`, f.massG),
        ...(f.grows ? [factRow('Of the next size after', `${p}.grows.days`, f.grows.days)] : []),
      ],
    ],
    ['How one culture is started', recipeRows(f, p)],
    [
      'How what is bought is kept',
      f.box
        ? [
            factRow('one box holds', `${p}.box.holds`, f.box.holds),
            ...f.box.parts.map(({ what, amount }, i) => factRow(what, `${p}.box.parts.${i}.amount`, amount)),
          ]
        : [],
    ],
    [
      'Air beside its cultures',
      f.humidity
        ? [factRow('from', `${p}.humidity.low`, f.humidity.low), factRow('to', `${p}.humidity.high`, f.humidity.high)]
        : [],
    ],
    [
      'What comes round',
      (f.upkeep ?? []).map((u, i) => factRow(`${u.what}: every`, `${p}.upkeep.${i}.everyDays`, u.everyDays)),
    ],
    ['How a colony grows', colonyRows(f, p)],
  ]
}

const signRows = ({ seen, spread: differ, shownByFailing }: BatchSigns, path: string): Row[] => [
  ...seen.map(({ name, share }, i) => factRow(`${name}: seen after, of the wait`, `${path}.seen.${i}.share`, share)),
  factRow('cultures differ in it by', `${path}.spread`, differ),
  factRow('shown by those that fail', `${path}.shownByFailing`, shownByFailing),
]

const recipeRows = ({ recipe }: Feeder, path: string): Row[] =>
  recipe
    ? [
        factRow('founders', `${path}.recipe.founders`, recipe.founders),
        ...(recipe.minutes ? [factRow('takes', `${path}.recipe.minutes`, recipe.minutes)] : []),
        ...(recipe.room ? [factRow('room of one', `${path}.recipe.room`, recipe.room)] : []),
        ...recipe.parts.map(({ what, amount }, i) => factRow(what, `${path}.recipe.parts.${i}.amount`, amount)),
      ]
    : []

const colonyRows = ({ colony }: Feeder, path: string): Row[] =>
  colony
    ? [
        ...colony.stages.flatMap(({ name, days, survives }, i) => [
          factRow(`${name}: last`, `${path}.colony.stages.${i}.days`, days),
          factRow(`${name}: survive`, `${path}.colony.stages.${i}.survives`, survives),
        ]),
        factRow('life once grown', `${path}.colony.adultDays`, colony.adultDays),
        factRow('young a day of a grown one', `${path}.colony.youngPerDay`, colony.youngPerDay),
        ...(colony.warmBlooded
          ? []
          : [
              factRow('at', `${path}.colony.atTempC`, colony.atTempC),
              factRow('nothing grows at', `${path}.colony.baseTempC`, colony.baseTempC),
            ]),
        factRow('one holds at most', `${path}.colony.capacity`, colony.capacity),
      ]
    : []
