import { schoolChoice, type Almanac, type Species } from '../almanac'
import { computedInput, factInput, type Input, type Reason } from '../judgement'
import type { FeedingSettings } from './mealFindings'
import type { WeaningCause, WeaningRecord } from './weaningFindings'

interface Of {
  almanac: Almanac
  settings: Pick<FeedingSettings, 'schools'>
  species: Species
}

interface Words {
  rule: string
  inputs?: Input[]
}

export function weaningReason(cause: WeaningCause, record: WeaningRecord, of: Of): Reason {
  const { common } = of.almanac
  const school = schoolChoice(of.almanac, of.settings.schools, 'firstPrey', of.species.id)
  const liveFirst = factInput('Live meals first', 'schools.firstPrey', school.fact!)
  const refused = factInput('Refused in a row', 'common.weanFast.value', common.weanFast!)
  const words: Record<WeaningCause, () => Words> = {
    weaned: () => ({
      rule: 'It takes thawed prey that is left in',
      inputs: [factInput('In a row, to count as weaned', 'common.weanedAfter.value', common.weanedAfter!)],
    }),
    takesThawed: () => ({ rule: `It has taken thawed prey ${record.inRow} times in a row` }),
    thawedRefused: () => ({
      rule: 'It took thawed prey before and refuses it now: a live meal, then again',
      inputs: [refused],
    }),
    firstLive: () => ({ rule: `${school.name}: it has not eaten yet`, inputs: [liveFirst] }),
    firstLosing: () => ({ rule: 'It has not eaten yet and loses weight: what moves by itself' }),
    firstThawed: () => ({ rule: `${school.name}: it has not eaten yet` }),
    losing: () => ({ rule: 'It loses weight: a step back to what it takes' }),
    liveMeals: () => ({
      rule: `${school.name}: ${record.liveTaken} of ${school.fact!.value} live meals`,
      inputs: [liveFirst],
    }),
    deadRefused: () => ({
      rule: 'Dead prey was refused often enough: a meal of what it takes, then again',
      inputs: [refused],
    }),
    between: () => ({ rule: 'Thawed prey was refused: fresh-killed is the step between' }),
    toThawed: () => ({ rule: 'It eats live prey: thawed is offered, and moved before it' }),
  }
  const { rule, inputs = [] } = words[cause]()
  return {
    rule,
    inputs: [
      computedInput('Live meals taken', `${record.liveTaken}`),
      computedInput('Offers of thawed prey so far', `${record.offers}`),
      ...inputs,
    ],
    change: 'What it takes or refuses next',
  }
}
