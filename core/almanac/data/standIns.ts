import type { StandIn } from '../schema'
import { memory, practice } from './marks'

/** May stand for all of a day's meals: the same in another size, or as good (common practice, no source). */
const all = (prey: string): StandIn => ({ prey, mostShare: practice(1, 'share') })
/** Part of a day's meals only, from memory: other in size, in shell or in fat. */
const part = (prey: string, share: number): StandIn => ({ prey, mostShare: memory(share, 'share') })

/** What stands for a feeder when there is not enough of it, the best first; by weight, several small for a large one. */
export const standIns: Readonly<Record<string, StandIn[]>> = {
  'fly.small': [all('fly.large'), part('cricket.pinhead', 0.5), part('springtail', 0.3), part('isopod.dwarf', 0.3)],
  'fly.large': [all('fly.small'), part('beanBeetle', 0.5), part('cricket.pinhead', 0.7), part('isopod.dwarf', 0.2)],
  'beanBeetle': [all('fly.large'), all('cricket.pinhead'), part('fly.small', 0.7), part('cricket.eighth', 0.5)],
  'cricket.pinhead': [all('fly.large'), all('fly.small'), part('isopod.dwarf', 0.3)],
  'cricket.eighth': [
    all('cricket.pinhead'),
    part('fly.large', 0.7),
    part('beanBeetle', 0.5),
    part('mealworm.tiny', 0.3),
  ],
  'cricket.quarter': [
    all('roach.newborn'),
    all('cricket.eighth'),
    part('mealworm.tiny', 0.3),
    part('beanBeetle', 0.3),
    part('fly.large', 0.3),
  ],
  'cricket.half': [
    all('roach.small'),
    all('cricket.quarter'),
    all('locust.small'),
    part('redRunner', 0.7),
    part('bsfLarva', 0.3),
    part('mealworm', 0.3),
    part('waxworm', 0.15),
  ],
  'cricket.adult': [all('cricket.half'), all('roach.nymph'), all('redRunner'), part('superworm', 0.3)],
  'roach.newborn': [all('cricket.eighth'), part('cricket.quarter', 0.5), part('mealworm.tiny', 0.3)],
  'roach.small': [all('cricket.quarter'), part('cricket.half', 0.5), part('redRunner', 0.5), part('mealworm', 0.3)],
  'roach.nymph': [
    all('cricket.adult'),
    all('cricket.half'),
    all('roach.small'),
    part('redRunner', 0.7),
    part('superworm', 0.3),
    part('mealworm', 0.3),
    part('locust.small', 0.5),
  ],
  'roach.adult': [all('roach.nymph'), all('locust.large'), part('superworm', 0.3)],
  'redRunner': [all('roach.small'), all('cricket.half'), part('mealworm', 0.3)],
  'locust.small': [all('cricket.half'), all('roach.small')],
  'locust.large': [all('cricket.adult'), all('roach.nymph'), all('locust.small')],
  'mealworm': [all('mealworm.tiny'), part('cricket.quarter', 0.7), part('roach.small', 0.7)],
  'mealworm.tiny': [all('cricket.eighth'), part('isopod.dwarf', 0.5), part('fly.large', 0.5)],
  'superworm': [all('cricket.adult'), all('roach.nymph'), part('mealworm', 0.5), part('waxworm', 0.2)],
  'waxworm': [part('mealworm', 0.5), part('bsfLarva', 0.5)],
  'isopod.dwarf': [all('springtail'), part('fly.small', 0.5)],
  'mouse.fuzzy': [all('mouse.pinky')],
  'mouse.hopper': [all('mouse.fuzzy'), all('rat.pup')],
  'mouse.weaned': [all('mouse.hopper'), all('rat.fuzzy')],
  'mouse.adult': [all('mouse.weaned'), all('rat.fuzzy')],
  'rat.pup': [all('mouse.hopper'), all('mouse.fuzzy')],
  'rat.fuzzy': [all('mouse.weaned'), all('rat.pup')],
  'rat.weaned': [all('mouse.adult'), all('rat.fuzzy')],
  'rat.small': [all('rat.weaned')],
  'rat.medium': [all('rat.small')],
  'rat.large': [all('rat.medium')],
}
