import { FITTING_WORDS, SUBSTRATE_WORDS } from '#core/homes'
import type { Almanac, Feeder, Species } from '#core/almanac'

/** What the fields of a part are called that are no numbers, or that are not there. */
const LABELS: Record<string, string> = {
  'clocks': 'Clocks',
  'eats': 'What it eats',
  'winter': 'Its winter',
  'cautions': 'Cautions, one a line',
  'cold': 'Its cold, or its rest',
  'cold.baths': 'Baths before it',
  'cold.loss': 'Loss in the cold is reckoned',
  'cold.company': 'Company in one tub',
  'cold.rest': 'A rest of the tropics',
  'cold.rest.dry': 'Dry',
  'nextClutch': 'Another clutch in one season',
  'larvalSurvival': 'Tadpoles that turn',
  'mating': 'Pairing',
  'mating.social': 'They live together all year',
  'mating.afterClutch': 'The male goes in again after each clutch',
  'mating.eatsMates': 'Eats its mates',
  'mating.follicles': 'Follicles',
  'sexing': 'How the sexes differ',
  'sexing.system': 'Sex is set by',
  'sexing.probe': 'Probe',
  'sexing.probeFromG': 'Not probed under',
  'sexing.subcaudals': 'Subcaudals',
  'sexing.tailShare': 'Tail, of the length',
  'sexing.signs': 'Signs read by eye',
  'sexing.venomous': 'Its bite can kill',
  'sexByTemperature': 'Sex by temperature of the eggs',
  'sexByTemperature.tempC': '°C',
  'sexByTemperature.femaleShare': 'share female',
  'shellMass': 'Mass for its length',
  'climate': 'Its place',
  'climate.spot': 'Basking spot',
  'climate.warm': 'Warm end',
  'climate.air': 'Air by day',
  'climate.cool': 'Cool end',
  'climate.night': 'Night',
  'climate.water': 'Water',
  'climate.humidity': 'Humidity',
  'climate.uvIndex': 'UV index where it sits',
  'supplements': 'Powders',
  'never': 'Not given',
  'weaning': 'From live prey to thawed',
  'weaning.byThree': 'Taken by the third offer',
  'weaning.byTwenty': 'Taken by the twentieth',
  'company': 'With whom it lives',
  'company.lives': 'Lives',
  'company.least': 'At least',
  'company.most': 'At most',
  'company.oneMale': 'One male only',
  'company.sizeRatio': 'Heaviest against lightest, at most',
  'home': 'The home it needs',
  'home.floorM2': 'Floor for one grown animal',
  'home.heightM': 'Height, where it climbs',
  'home.furtherShare': 'Each further one, share of that floor',
  'home.musts': 'Must be in it',
  'home.notOn': 'Not floored with',
  'rounds': 'Care that comes round',
  'rounds.mist': 'Mist',
  'rounds.uvReading': 'UV index at the spot',
  'rounds.spotClean': 'Spot clean',
  'rounds.lightClean': 'Light clean',
  'rounds.fullChange': 'Full change',
  'rounds.water': 'Fresh water',
  'supply': 'Supply',
  'supply.unit': 'Counted in',
  'supply.boughtProducing': 'Bought about to yield',
  'supply.gathered': 'Gathered outdoors',
  'otherWays': 'Other ways',
  'care': 'Care',
  'massG': 'Weight of one',
  'minerals': 'Calcium and phosphorus',
  'minerals.calcium': 'Calcium as fed',
  'minerals.phosphorus': 'Phosphorus as fed',
}

/** What a choice is called. */
const CHOICES: Record<string, string> = {
  alone: 'alone',
  group: 'in a group',
  brumation: 'true cold',
  dormancy: 'a cool, dry rest',
  none: 'no winter',
  rodents: 'rodents',
  insects: 'insects and worms',
  plants: 'plants',
  sameSex: 'those of one sex may',
  never: 'always alone',
  squamate: 'by weight and warmth, as published for snakes and lizards',
  month: 'as a share a month',
  ZW: 'ZW: females have one Z',
  XY: 'XY: males have one X',
  temperature: 'temperature of the eggs',
  clonal: 'nothing: all are females',
  unknown: 'not known',
  batch: 'own batches: cups that come and end',
  colony: 'an own colony',
  bought: 'bought',
  fresh: 'fresh, when needed',
  ...FITTING_WORDS,
  ...SUBSTRATE_WORDS,
}

/** Names of fields, as the sheet calls its numbers, and of choices. */
export function partLabels(row: Species | Feeder, almanac: Almanac) {
  const rows = 'clocks' in row ? speciesSections(row, almanac) : feederSections(row)
  const base = `${'clocks' in row ? 'species' : 'feeders'}.${row.id}.`
  const known = new Map(
    rows
      .flatMap(([, list]) => list)
      .map(r => [
        r.numbers[0]?.path.slice(base.length).replace(/\.[^.]+$/, '') ?? '',
        r.label.replace(/: middle.*/, ''),
      ]),
  )
  return {
    label: (path: string) =>
      (path.startsWith('climate.') ? undefined : known.get(path)) ?? LABELS[path] ?? wordsOf(path.split('.').at(-1)!),
    choice: (value: string) => almanac.signs[value]?.name ?? CHOICES[value] ?? wordsOf(value),
  }
}
