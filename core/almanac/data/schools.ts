import type { School } from '../schema'
import { practice, practiceSpread } from './marks'

const list: School[] = [
  {
    id: 'pairAfterCold',
    question: 'When does a brumated animal go to pairing?',
    usual: 'regained',
    choices: [
      { id: 'atOnce', name: 'At once', reason: 'Hardy species that lost nothing are ready as soon as they are warm.', days: practiceSpread(3, 10, 24) },
      { id: 'oneMeal', name: 'After one meal', reason: 'One small meal restarts the gut before the strain of pairing.', days: practiceSpread(8, 18, 32) },
      { id: 'regained', name: 'Regained weight and shed', reason: 'Back to 97–100 % of the starting weight and through the first shed: safest for the female.', days: practiceSpread(16, 32, 52) },
    ],
  },
  {
    id: 'rodentSize',
    question: 'How large a rodent?',
    usual: 'tenth',
    choices: [
      { id: 'tenth', name: 'About a tenth of body weight', reason: 'Slow, lean growth; fewer meals come back.', fact: practice(0.1, 'of body weight') },
      { id: 'widest', name: 'As wide as the body', reason: 'Fewer, larger meals; about 15 % of body weight.', fact: practice(0.15, 'of body weight') },
    ],
  },
  {
    id: 'insectRation',
    question: 'How many insects?',
    usual: 'fifteenMinutes',
    choices: [
      { id: 'fifteenMinutes', name: 'What it eats in 15 minutes', reason: 'Leftovers are taken out, so little is lost; the almanac’s counts.', fact: practice(1, '× the count') },
      { id: 'cafeteria', name: 'Always some in reach', reason: 'Hatchlings hunt all day; a third more is needed, and strays must be taken out at night.', fact: practice(1.33, '× the count') },
    ],
  },
  {
    id: 'cupRhythm',
    question: 'How are cups started?',
    usual: 'everyWeek',
    choices: [
      { id: 'everyWeek', name: 'Every week without a break, with a spare', reason: 'A cup may fail, and surplus is cheaper than a gap.', fact: practice(1, 'spare cup') },
      { id: 'asNeeded', name: 'Only what the need asks for', reason: 'Less waste and less work, for keepers who can buy in a hurry.', fact: practice(0, 'spare cups') },
    ],
  },
]

export const schools: Record<string, School> = Object.fromEntries(list.map(s => [s.id, s]))
