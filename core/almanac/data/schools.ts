import type { School } from '../schema'
import { memory, practice } from './marks'

const list: School[] = [
  {
    id: 'tadpoleHousing',
    question: 'How are small tadpoles kept?',
    usual: 'cups',
    choices: [
      {
        id: 'cups',
        name: 'Singly in cups',
        reason: 'Many eat each other while small: one to a cup until about 20 mm, then together with cover.',
        fact: practice(1, 'to a cup'),
      },
      {
        id: 'together',
        name: 'Together with cover from the start',
        reason: 'Peaceful kinds in much water, many plants and food enough: less work, and some losses.',
        fact: practice(0, 'to a cup'),
      },
    ],
  },
  {
    id: 'powder',
    question: 'How are insects dusted?',
    usual: 'rotation',
    choices: [
      {
        id: 'rotation',
        name: 'In turn',
        reason: 'Calcium at every second meal, vitamins at every third: none is given too much.',
        fact: practice(0, 'all-in-one'),
      },
      {
        id: 'allInOne',
        name: 'All in one',
        reason: 'One powder at every meal: nothing is forgotten, and the maker has weighed it.',
        fact: practice(1, 'all-in-one'),
      },
    ],
  },
  {
    id: 'preyVariety',
    question: 'One insect at every meal, or several kinds in turn?',
    usual: 'ladder',
    choices: [
      {
        id: 'ladder',
        name: 'By the ladder',
        reason:
          'The prey that the ladder names as long as there is enough of it: simple, and what is eaten is known. Others stand in when it runs short.',
        fact: practice(1, 'share'),
      },
      {
        id: 'inTurn',
        name: 'Several in turn',
        reason:
          'No kind more than about two fifths of what is eaten, so at least three: one prey alone has gaps, and who knows only one may refuse the rest.',
        fact: memory(0.4, 'share'),
      },
    ],
  },
  {
    id: 'vitaminD3',
    question: 'Vitamin D3 in the powder, where a lamp gives UVB?',
    usual: 'oneSource',
    choices: [
      {
        id: 'oneSource',
        name: 'Exactly one source',
        reason: 'Under UVB the powder has none; without, it has. Too much of it is stored and harms.',
        fact: practice(0, 'with UVB'),
      },
      {
        id: 'indoors',
        name: 'Indoors all the same',
        reason: 'Lamps fade and hang far: two or three times a week indoors, less in real sun.',
        fact: practice(1, 'with UVB'),
      },
    ],
  },
  {
    id: 'firstPrey',
    question: 'What prey do young snakes get first?',
    usual: 'live',
    choices: [
      {
        id: 'live',
        name: 'Live first',
        reason: 'The first two or three meals live, small and moving: they start, and thawed prey is offered then.',
        fact: practice(3, 'live meals'),
      },
      {
        id: 'thawed',
        name: 'Thawed from the first meal',
        reason:
          'Some take it from meal one, and nothing has to be changed later; live prey only for those that refuse.',
        fact: practice(0, 'live meals'),
      },
    ],
  },
  {
    id: 'warmUp',
    question: 'How quickly are they warmed?',
    usual: 'steps',
    choices: [
      {
        id: 'atOnce',
        name: 'At once',
        reason: 'Hardy species choose the basking spot within minutes anyway.',
        fact: practice(0, 'days of warming'),
      },
      {
        id: 'steps',
        name: 'In steps',
        reason: 'About three days: a cool room at 21 °C, 27 °C for two days, then full.',
        fact: practice(3, 'days of warming'),
      },
      {
        id: 'gradual',
        name: 'Gradually',
        reason: 'A degree or two a day for about a week.',
        fact: practice(7, 'days of warming'),
      },
    ],
  },
  {
    id: 'hatchlingWinter',
    question: 'What of hatchlings of the year in winter?',
    usual: 'keepUp',
    choices: [
      {
        id: 'keepUp',
        name: 'Keep up and feed',
        reason: 'The usual way: a small animal has little to lose.',
        fact: practice(0, 'weeks of cold'),
      },
      {
        id: 'short',
        name: 'Cool shortly',
        reason: 'A few weeks, as in nature, once they feed well.',
        fact: memory(4, 'weeks of cold'),
      },
    ],
  },
  {
    id: 'homeRoom',
    question: 'How much room for each?',
    usual: 'snug',
    choices: [
      {
        id: 'snug',
        name: 'Snug, as in racks',
        reason: 'Half of the floor: shy animals feed better where they feel covered, and more can be kept clean.',
        fact: practice(0.5, 'share of the floor'),
      },
      {
        id: 'stretch',
        name: 'Room to stretch out',
        reason: 'All of the floor: it lies straight along a side, climbs and warms itself as it likes.',
        fact: practice(1, 'share of the floor'),
      },
    ],
  },
  {
    id: 'coldCompany',
    question: 'Alone or together in the cold?',
    usual: 'alone',
    choices: [
      {
        id: 'alone',
        name: 'One to a tub',
        reason: 'Each can be looked at and weighed without disturbing another.',
        fact: practice(1, 'to a tub'),
      },
      {
        id: 'pairs',
        name: 'Same-sex pairs',
        reason: 'Saves room; same species, same sex, alike in size, never snake-eaters, apart the day they warm.',
        fact: practice(2, 'to a tub'),
      },
    ],
  },
  {
    id: 'inbreeding',
    question: 'How near may kin be paired?',
    usual: 'avoid',
    choices: [
      {
        id: 'avoid',
        name: 'Keep the line wide',
        reason:
          'Not nearer than first cousins: inbred young are fewer, weaker and shorter-lived; exchange unrelated stock.',
        fact: practice(0.0625, 'inbreeding of the young at most'),
      },
      {
        id: 'careful',
        name: 'Half kin at most',
        reason: 'Half sibs now and then where stock is scarce, with the records to see it.',
        fact: practice(0.125, 'inbreeding of the young at most'),
      },
      {
        id: 'line',
        name: 'Line breeding',
        reason: 'Sibs, or parent and young, to bring out a look; outcross the next generation.',
        fact: practice(0.25, 'inbreeding of the young at most'),
      },
    ],
  },
  {
    id: 'pairAfterCold',
    question: 'When does a brumated animal go to pairing?',
    usual: 'byLoss',
    choices: [
      {
        id: 'byLoss',
        name: 'By its loss',
        reason: 'Lost next to nothing: after one meal. Lost some: once it has regained and shed.',
        fact: practice(0.03, 'share lost that still counts as nothing'),
      },
      {
        id: 'atOnce',
        name: 'At once',
        reason: 'Hardy species that lost nothing are ready as soon as they are warm.',
        fact: practice(0, 'meals'),
      },
      {
        id: 'oneMeal',
        name: 'After one meal',
        reason: 'One small meal restarts the gut before the strain of pairing.',
        fact: practice(1, 'meal'),
      },
      {
        id: 'regained',
        name: 'Regained weight and shed',
        reason: 'Back to 97–100 % of the starting weight and through the first shed: safest for the female.',
        fact: practice(0.97, 'of the starting weight'),
      },
    ],
  },
  {
    id: 'rodentSize',
    question: 'How large a rodent?',
    usual: 'tenth',
    choices: [
      {
        id: 'tenth',
        name: 'About a tenth of body weight',
        reason: 'Slow, lean growth; fewer meals come back.',
        fact: practice(0.1, 'of body weight'),
      },
      {
        id: 'widest',
        name: 'As wide as the body',
        reason: 'Fewer, larger meals; about 15 % of body weight.',
        fact: practice(0.15, 'of body weight'),
      },
    ],
  },
  {
    id: 'insectRation',
    question: 'How many insects?',
    usual: 'fifteenMinutes',
    choices: [
      {
        id: 'fifteenMinutes',
        name: 'What it eats in 15 minutes',
        reason: 'Leftovers are taken out, so little is lost; the almanac’s counts.',
        fact: practice(1, '× the count'),
      },
      {
        id: 'cafeteria',
        name: 'Always some in reach',
        reason: 'Hatchlings hunt all day; a third more is needed, and strays must be taken out at night.',
        fact: practice(1.33, '× the count'),
      },
    ],
  },
  {
    id: 'unitWeight',
    question: 'What does a cup, a tub or a pack weigh in the plan?',
    usual: 'alike',
    choices: [
      {
        id: 'alike',
        name: 'All alike',
        reason: 'Prices change from week to week; the fewest cups, tubs and packs are the least work.',
      },
      {
        id: 'byCost',
        name: 'What it costs',
        reason:
          'The pack by its price, a cup by its materials and the work; for keepers who buy much and write prices.',
        fact: memory(12, 'money of the house', 'An hour of work at the cultures is worth'),
      },
    ],
  },
  {
    id: 'cupRhythm',
    question: 'How are cups started?',
    usual: 'everyWeek',
    choices: [
      {
        id: 'everyWeek',
        name: 'Every week without a break, with a spare',
        reason: 'A cup may fail, and surplus is cheaper than a gap.',
        fact: practice(1, 'spare cup'),
      },
      {
        id: 'asNeeded',
        name: 'Only what the need asks for',
        reason: 'Less waste and less work, for keepers who can buy in a hurry.',
        fact: practice(0, 'spare cups'),
      },
    ],
  },
  {
    id: 'secondColony',
    question: 'Is a second of every colony kept?',
    usual: 'second',
    choices: [
      {
        id: 'second',
        name: 'A second of everything',
        reason: 'One hot day, mites or mould end a colony, and a new one takes months: the second stands elsewhere.',
        fact: practice(2, 'colonies'),
      },
      {
        id: 'one',
        name: 'One, as long as it gives enough',
        reason: 'Less work and less room, for keepers who can buy in a hurry.',
        fact: practice(1, 'colony'),
      },
    ],
  },
]

export const schools: Record<string, School> = Object.fromEntries(list.map(s => [s.id, s]))
