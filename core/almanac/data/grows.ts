import type { Grows } from '../schema'
import { liveRowId } from '../livePrey'
import { memory } from './marks'

const into = (prey: string, days: number, note: string): Grows => ({ into: prey, days: memory(days, 'days', note) })

const CRICKETS = 'Warm, at 28–30 °C, where six to eight weeks pass from hatching to grown; in the cool far slower'
const ROACHES = 'Warm, at 28–30 °C, where five months pass from birth to grown; in the cool far slower'
const MICE = 'Eyes open at two weeks, weaned at three'

/** What is kept alive and fed grows into the next size: days after it came until half of it has. From memory. */
export const grows: Readonly<Record<string, Grows>> = {
  'cricket.pinhead': into('cricket.eighth', 7, CRICKETS),
  'cricket.eighth': into('cricket.quarter', 9, CRICKETS),
  'cricket.quarter': into('cricket.half', 12, CRICKETS),
  'cricket.half': into('cricket.adult', 14, CRICKETS),
  'roach.newborn': into('roach.small', 35, ROACHES),
  'roach.small': into('roach.nymph', 45, ROACHES),
  'locust.small': into(
    'locust.large',
    18,
    'Warm, at 30 °C and more, where five to six weeks pass from hatching to grown',
  ),
  'mealworm.tiny': into('mealworm', 35, 'At 25 °C; in a refrigerator they wait'),
  [liveRowId('mouse.pinky')]: into(liveRowId('mouse.fuzzy'), 5, MICE),
  [liveRowId('mouse.fuzzy')]: into(liveRowId('mouse.hopper'), 5, MICE),
  [liveRowId('mouse.hopper')]: into(liveRowId('mouse.weaned'), 7, MICE),
  [liveRowId('mouse.weaned')]: into(liveRowId('mouse.adult'), 21, MICE),
  [liveRowId('rat.pup')]: into(liveRowId('rat.fuzzy'), 6, MICE),
}
