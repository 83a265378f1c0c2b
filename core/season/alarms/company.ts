import { speciesOf } from '../../almanac'
import { factInput, type Input } from '../../judgement'
import { livingByPlace, companyProblems, tellCompany, type CompanyProblem } from '../../subjects'
import type { SeasonContext } from '../context'
import type { Alarm } from '../contracts'

/** So many places with the same trouble are told as one. */
const TOLD_APART = 3

interface Crowded {
  placeId: string
  name: string
  tags: string[]
  count: number
  problem: CompanyProblem
}

/** The numbers of the almanac that a problem of company stands on. */
function inputsOf(problem: CompanyProblem, { almanac }: SeasonContext): Input[] {
  const ids = 'speciesIds' in problem ? problem.speciesIds : [problem.speciesId]
  return ids.flatMap(id => {
    const { name, company } = speciesOf(almanac, id)
    return (['least', 'most', 'sizeRatio'] as const).flatMap(key => {
      const fact = company?.[key]
      return fact ? [factInput(`${name}, ${COMPANY_WORDS[key]}`, `species.${id}.company.${key}.value`, fact)] : []
    })
  })
}

const COMPANY_WORDS = {
  least: 'at least',
  most: 'at most',
  sizeRatio: 'heaviest against lightest, at most',
} as const

const ADVICE =
  'Give each a tub of its own, or part them today; look for bites, and at who eats. Put together on purpose, answer it.'

/** Another number of animals is another matter: what was answered before does not cover it. */
const idOf = ({ placeId, problem, count }: Crowded): string => `company:${placeId}:${problem.why}:${count}`

/** Who sits with whom against what their species bear. */
export function companyAlarms(context: SeasonContext): Alarm[] {
  const { house, almanac } = context
  const crowded: Crowded[] = []
  for (const [placeId, animals] of livingByPlace(house)) {
    const place = house.places[placeId]
    // a rack or a room holds many, each behind its own glass
    if (place?.kind !== 'tub') continue
    const [problem] = companyProblems(house, almanac, animals)
    if (!problem) continue
    const one = {
      placeId,
      name: place.name,
      tags: [...new Set(animals.map(a => a.tag))].sort(),
      count: animals.length,
      problem,
    }
    if (!place.answered?.[idOf(one)]) crowded.push(one)
  }
  const kinds = [...new Set(crowded.map(c => c.problem.why))]
  return kinds.flatMap((why): Alarm[] => {
    const same = crowded.filter(c => c.problem.why === why)
    const first = same[0]!
    const reason = (c: Crowded) => ({
      rule: 'With whom a species lives outside the cold; two that were put together to mate are left in peace',
      inputs: inputsOf(c.problem, context),
      change: 'Moving one of them, or the company of the species in the Almanac',
    })
    if (same.length > TOLD_APART)
      return [
        {
          id: `company:many:${why}`,
          level: 'watch',
          subject: null,
          text: `${same.length} places hold who should not sit together (${tellCompany(first.problem, almanac)}): ${same
            .slice(0, 6)
            .map(c => c.name)
            .join(', ')}${same.length > 6 ? ' …' : ''}`,
          todo: ADVICE,
          reasons: [reason(first)],
        },
      ]
    return same.map(c => ({
      id: idOf(c),
      level: 'watch',
      subject: { type: 'place', id: c.placeId },
      text: `${c.name}, ${c.tags.join(', ')}: ${tellCompany(c.problem, almanac)}`,
      todo: ADVICE,
      reasons: [reason(c)],
      answerable: true,
    }))
  })
}
