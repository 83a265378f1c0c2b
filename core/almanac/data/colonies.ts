import type { ColonyRates } from '../schema'
import { memory } from './marks'

const stage = (name: string, days: number, survives: number, fed: boolean): ColonyRates['stages'][number] => ({
  name,
  days: memory(days, 'days'),
  survives: memory(survives, 'share'),
  fed,
})
const rates = (
  stages: ColonyRates['stages'],
  grown: { days: number; youngPerDay: number },
  warmth: { atC: number; baseC: number },
  capacity: number,
  note: string,
): ColonyRates => ({
  stages,
  adultDays: memory(grown.days, 'days'),
  youngPerDay: memory(grown.youngPerDay, 'young', note),
  atTempC: memory(warmth.atC, '°C'),
  baseTempC: memory(warmth.baseC, '°C'),
  capacity: memory(capacity, 'animals'),
})

/**
 * How colonies grow: all from memory of published life tables and of what breeders tell, to be checked. Young are per
 * grown animal of either sex and day.
 */
export const colonies: Readonly<Record<string, ColonyRates>> = {
  'roach.nymph': rates(
    [stage('small nymphs', 60, 0.9, true), stage('large nymphs', 90, 0.9, true)],
    { days: 500, youngPerDay: 0.2 },
    { atC: 29, baseC: 18 },
    2600,
    'About 25 to 30 young each two months a female, half are females',
  ),
  'redRunner': rates(
    [stage('eggs', 30, 0.8, false), stage('nymphs', 80, 0.8, true)],
    { days: 160, youngPerDay: 0.6 },
    { atC: 30, baseC: 18 },
    3000,
    'About 15 from an egg case, one a fortnight or so a female',
  ),
  'springtail': rates(
    [stage('eggs', 9, 0.8, false), stage('young', 18, 0.8, true)],
    { days: 90, youngPerDay: 2 },
    { atC: 22, baseC: 5 },
    8000,
    'As Folsomia candida: clutches of 30 to 60, some seven in a life that is all female',
  ),
  'isopod.dwarf': rates(
    [stage('brood', 25, 0.9, false), stage('young', 45, 0.75, true)],
    { days: 200, youngPerDay: 0.25 },
    { atC: 25, baseC: 10 },
    1500,
    'Broods of 5 to 12 a month or so; all females',
  ),
  'isopod.large': rates(
    [stage('brood', 40, 0.85, false), stage('young', 120, 0.7, true)],
    { days: 500, youngPerDay: 0.12 },
    { atC: 22, baseC: 8 },
    1200,
    'As Porcellio scaber: broods of 20 to 40, two or three a year, half are females',
  ),
  'mealworm': rates(
    [stage('eggs', 10, 0.7, false), stage('larvae', 110, 0.8, true), stage('pupae', 9, 0.9, false)],
    { days: 70, youngPerDay: 2 },
    { atC: 27, baseC: 13 },
    4000,
    'As Tenebrio molitor: some 300 eggs a female in her life, half are females',
  ),
  'superworm': rates(
    [stage('eggs', 9, 0.7, false), stage('larvae', 120, 0.85, true), stage('pupae, each alone', 16, 0.85, false)],
    { days: 200, youngPerDay: 1.5 },
    { atC: 27, baseC: 15 },
    2500,
    'As Zophobas: several hundred eggs a female in her life, half are females; only larvae that are set apart, each alone, pupate',
  ),
  'cricket.pinhead': rates(
    [stage('eggs', 12, 0.6, false), stage('pinheads', 7, 0.8, true), stage('nymphs', 42, 0.5, false)],
    { days: 40, youngPerDay: 10 },
    { atC: 30, baseC: 16 },
    2000,
    'As Acheta domesticus: some 800 eggs a female in her life, half are females',
  ),
  'waxworm': rates(
    [stage('eggs', 7, 0.7, false), stage('larvae', 38, 0.8, true), stage('pupae', 13, 0.9, false)],
    { days: 16, youngPerDay: 19 },
    { atC: 30, baseC: 17 },
    1500,
    'As Galleria mellonella: some 600 eggs a female; she lives about twelve days, a male three weeks',
  ),
  'grindal': rates(
    [stage('cocoons', 12, 0.8, false), stage('worms', 14, 0.8, true)],
    { days: 60, youngPerDay: 0.8 },
    { atC: 21, baseC: 8 },
    6000,
    'As Enchytraeus buchholzi: several young from a cocoon, a cocoon every few days',
  ),
  'snail': rates(
    [stage('eggs', 22, 0.7, false), stage('young', 130, 0.6, true)],
    { days: 500, youngPerDay: 0.5 },
    { atC: 20, baseC: 6 },
    400,
    'As Cornu aspersum: clutches of 50 to 100 a few times a year; each lays',
  ),
  'mouse.pinky': {
    ...rates(
      [stage('pinkies', 5, 0.95, true), stage('nursed', 16, 0.9, false), stage('growing', 28, 0.97, false)],
      { days: 240, youngPerDay: 0.27 },
      { atC: 22, baseC: 0 },
      60,
      'One male to three females: litters of about ten every four weeks',
    ),
    warmBlooded: true,
  },
  'rat.pup': {
    ...rates(
      [stage('pups', 8, 0.95, true), stage('nursed', 14, 0.92, false), stage('growing', 56, 0.97, false)],
      { days: 330, youngPerDay: 0.2 },
      { atC: 22, baseC: 0 },
      40,
      'One male to three females: litters of about ten every five to six weeks',
    ),
    warmBlooded: true,
  },
  'redWorm': rates(
    [stage('cocoons', 23, 0.8, false), stage('young', 60, 0.7, true)],
    { days: 400, youngPerDay: 0.3 },
    { atC: 22, baseC: 8 },
    1500,
    'As Eisenia: two or three from a cocoon, one or two cocoons a week a pair',
  ),
  'nightcrawler': rates(
    [stage('cocoons', 90, 0.7, false), stage('young', 180, 0.7, false)],
    { days: 700, youngPerDay: 0.03 },
    { atC: 10, baseC: 2 },
    250,
    'Slow: a cocoon a month or so; grown ones are what is fed, so none is taken by plan',
  ),
}
