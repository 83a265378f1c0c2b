import { speciesOf, type Almanac } from '../../almanac'
import { factInput, type Input, type Reason } from '../../judgement'
import { tellCompany, type CompanyProblem } from '../../subjects'
import type { Told } from './told'

export interface Crowded {
  /** Name of the place. */
  name: string
  /** Who is in it. */
  tags: readonly string[]
  problem: CompanyProblem
}

/** So many places are named before the rest is only hinted at. */
const NAMED = 6

const COMPANY_WORDS = {
  least: 'at least',
  most: 'at most',
  sizeRatio: 'heaviest against lightest, at most',
} as const
const ASKED = ['least', 'most', 'sizeRatio'] as const

const ADVICE =
  'Give each a tub of its own, or part them today; look for bites, and at who eats. Put together on purpose, answer it.'

/** The numbers of the almanac that a problem of company stands on. */
function inputsOf(problem: CompanyProblem, almanac: Almanac): Input[] {
  const ids = 'speciesIds' in problem ? problem.speciesIds : [problem.speciesId]
  return ids.flatMap(id => {
    const { name, company } = speciesOf(almanac, id)
    return ASKED.flatMap(key => {
      const fact = company?.[key]
      return fact ? [factInput(`${name}, ${COMPANY_WORDS[key]}`, `species.${id}.company.${key}.value`, fact)] : []
    })
  })
}

const reasonOf = ({ problem }: Crowded, almanac: Almanac): Reason => ({
  rule: 'With whom a species lives outside the cold; two that were put together to mate are left in peace',
  inputs: inputsOf(problem, almanac),
  change: 'Moving one of them, or the company of the species in the Almanac',
})

export const tellCrowded = (crowded: Crowded, almanac: Almanac): Told => ({
  text: `${crowded.name}, ${crowded.tags.join(', ')}: ${tellCompany(crowded.problem, almanac)}`,
  todo: ADVICE,
  reasons: [reasonOf(crowded, almanac)],
})

/** Many places with the same trouble, told as one. */
export function tellManyCrowded(same: readonly Crowded[], almanac: Almanac): Told {
  const [first] = same
  const names = same.slice(0, NAMED).map(c => c.name)
  return {
    text: `${same.length} places hold who should not sit together (${tellCompany(first!.problem, almanac)}): ${names.join(', ')}${same.length > NAMED ? ' …' : ''}`,
    todo: ADVICE,
    reasons: [reasonOf(first!, almanac)],
  }
}
