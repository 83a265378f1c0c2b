import type { Almanac } from '../../almanac'
import type { DatedEntry, Problem } from '../../log'
import type { AnimalState } from './state'

/**
 * What is asked before a meal is written that a slip is likelier than: prey that its kind is not given, and prey that is
 * heavy for it.
 */
export function preyQuestion(
  animal: AnimalState,
  { prey, sure }: { prey: string; sure?: boolean },
  entry: DatedEntry,
  { species, feeders, common }: Pick<Almanac, 'species' | 'feeders' | 'common'>,
): Problem | null {
  const [of, feeder] = [species[animal.speciesId], feeders[prey]]
  if (sure || entry.source !== 'keeper' || !of || !feeder) return null
  const asks = (message: string): Problem => ({ path: 'data.sure', message })
  if (of.never?.includes(prey))
    return asks(`${of.name}: ${feeder.many} are not given to it. Was ${animal.tag} offered that all the same?`)
  if (of.eats === 'plants') return null
  const weight = animal.weights.filter(w => w.day <= entry.day).at(-1)
  const trusted = weight && entry.day - weight.day <= common.weightTrusted!.value ? weight.massG : null
  const most = of.eats === 'rodents' ? 2 * common.largePrey!.value : common.heaviestInsect!.value
  return trusted !== null && feeder.massG.likely > most * trusted
    ? asks(
        `One ${feeder.one} of about ${feeder.massG.likely} g is ${Math.round((100 * feeder.massG.likely) / trusted)} % of what ${animal.tag} weighs (${trusted} g). Is it so?`,
      )
    : null
}
