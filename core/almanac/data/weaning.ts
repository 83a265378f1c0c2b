import type { Fact, Weaning } from '../schema'
import { memory, practice } from './marks'

type Marked = typeof memory

/** Shares of young that take thawed prey within three offers of it, and within twenty. */
const weaning = (three: number, twenty: number, mark: Marked, note: string): Weaning => ({
  byThree: mark(three, 'share', note),
  byTwenty: memory(twenty, 'share', 'Of young that were offered thawed prey about twenty times, half a year'),
})

const EASY = weaning(0.9, 0.99, practice, 'Most take it within three meals')
const MIDDLE = weaning(0.75, 0.95, practice, 'About three quarters take it at once, hold-outs to six months')
const HARD = weaning(0.5, 0.85, memory, 'Many start on live prey, and change late')
const LATE = weaning(
  0.2,
  0.6,
  practice,
  'Six months to a year, single ones two; in some litters a third takes nothing unaided at first',
)

const OF: Record<string, Weaning> = {
  'boa-constrictor': EASY,
  'boa-red-tailed': EASY,
  'boa-other-mainland': MIDDLE,
  'boa-dwarf': LATE,
  'rosy-boa': HARD,
  'kenyan-sand-boa': MIDDLE,
  'rainbow-boa': EASY,
  'royal-python': HARD,
  'carpet-python': MIDDLE,
  'childrens-python': HARD,
  'green-tree-python': HARD,
  'eyelash-viper': LATE,
  'western-hognose': MIDDLE,
  'california-kingsnake': EASY,
  'milk-snake': MIDDLE,
  'corn-snake': EASY,
  'black-rat-snake': EASY,
  'texas-rat-snake': EASY,
  'gopher-snake': EASY,
  'bull-snake': EASY,
  'western-diamondback': MIDDLE,
}

/** How readily young of a species change from live to thawed prey; undefined where they eat no rodents. */
export const weaningOf = (id: string): Weaning | undefined => OF[id]

/** What holds when young start, refuse, change to thawed prey, and leave. */
export const starting: Record<string, Fact> = {
  struckCounts: practice(0.5, 'meals', 'Prey that was struck and let go counts as half a success'),
  weanedAfter: memory(3, 'meals', 'Thawed prey taken so often in a row: it counts as weaned'),
  youngUntil: memory(365, 'days', 'An animal counts as young'),
  coldComes: memory(45, 'days', 'Before the last meal of a winter: who eats less now, does as usual'),
  weanFast: practice(
    2,
    'refusals',
    'Of thawed prey in a row; then a meal of what it takes, since it is never starved into it',
  ),
  weanMates: memory(10, 'young', 'What the species usually does weighs as much as so many mates'),
  weanOthers: memory(0.5, 'share', 'An earlier litter of this house speaks so much as one’s own mates'),
  litterApart: memory(14, 'days', 'Young of one dam that were born so far apart are of two litters'),
  weanAhead: memory(28, 'days', 'So far ahead it is told how many of a litter will take thawed prey'),
  weanBehind: memory(0.1, 'share', 'Of its kind: where so few need so many offers, it is behind'),
  stepUpMeals: memory(3, 'meals', 'Taken whole and at once, of the last ones: the next step of the ladder is proposed'),
  stepUpOf: memory(4, 'meals', 'So many of the latest at one step are looked at'),
  stepUpFrom: memory(
    0.7,
    'share',
    'Of the age at which the next step begins: who is younger keeps its shorter interval',
  ),
  stepDownAfter: memory(2, 'refusals', 'In a row of the prey of a step: the step below is proposed'),
  refusesFrom: memory(2, 'refusals', 'In a row: it is no accident, and the next try is proposed'),
  refusalLoss: memory(0.005, 'share', 'Of its weight, while it refuses: a loss from so much is told with it'),
  refusalTold: memory(3, 'refusals', 'In a row: told among what is wrong'),
  dustCalcium: memory(7500, 'mg/kg', 'Calcium that a coat of powder adds to insects'),
  mineralsWanted: practice(1.5, 'times', 'Calcium to phosphorus of what is eaten: at least so much, better two'),
  menuDays: memory(30, 'days', 'Looked back at what is eaten'),
  menuKinds: practice(3, 'kinds', 'Of prey within that time, for who lives on insects'),
  heaviestInsect: memory(0.15, 'share', 'Of its weight: one insect so heavy is asked about'),
  tadpoleHatch: memory(7, 'mm', 'Length of a tadpole at the hatch, tail and all'),
  tadpoleTurns: memory(38, 'mm', 'Length of a tadpole before its legs come'),
  tadpoleTogether: practice(20, 'mm', 'Smaller ones eat each other: one a cup until then'),
  tadpolesABox: practice(25, 'tadpoles', 'To a box with plants, 20 to 30'),
  tadpoleCrowded: practice(0.23, 'share', 'Of a week without cover while small: 15 fall to three or four'),
  tadpoleMeasure: memory(10, 'days', 'Between two measures while they live singly'),
  tadpoleWater: memory(3, 'days', 'Water of tadpoles is changed every'),
  growthDays: memory(42, 'days', 'Weights of so long say how fast one grows'),
  growthLeast: memory(0.005, 'share', 'A week: a litter that grows less says nothing of one that does not'),
  growthStalls: memory(0.25, 'share', 'Of its mates’ pace: under it one stalls'),
  growthSlow: memory(0.6, 'share', 'Of its mates’ pace: under it one is slow but steady, which is fine'),
  tryEvery: practice(7, 'days', 'A refuser is tried afresh, and left alone between'),
  teaseFrom: practice(30, 'days', 'From birth: before it, a young one is not teased'),
  boiledFrom: memory(21, 'days', 'From birth: a pinky dipped in hot water'),
  assistFrom: practice(60, 'days', 'From birth: about two months before anyone assists'),
  assistFor: practice(45, 'days', 'One to two months of assisting; then the vet is asked again'),
  fastWatchYoung: memory(0.05, 'share', 'Of its weight lost without food, while small: watched'),
  fastVetYoung: memory(0.1, 'share', 'The same: for the vet'),
  fastWatch: memory(0.05, 'share', 'Of its weight lost without food, once half grown: watched'),
  fastVet: memory(0.12, 'share', 'The same: for the vet'),
  fastDaysYoung: memory(60, 'days', 'Without food while small: for the vet, whatever it weighs'),
  fastDays: memory(180, 'days', 'The same, once half grown'),
  smallShare: memory(0.5, 'share', 'Of adult weight: below it an animal counts as small, and has little to lose'),
  leaveMeals: practice(3, 'meals', 'In a row, taken unaided, before it leaves'),
  leaveLoss: memory(0.05, 'share', 'Of its best weight in the last months: who lost more, stays'),
  leaveWeighed: memory(30, 'days', 'It is weighed no longer ago than this before it leaves'),
  leaveAge: memory(42, 'days', 'From birth, before one leaves'),
}
