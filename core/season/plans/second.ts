import { feederOf, schoolChoice } from '../../almanac'
import type { Day } from '../../chance'
import { computedInput, settingInput, type Reason } from '../../judgement'
import { mayFound, type CultureState } from '../../subjects'
import { nextWeekday } from '../../units'
import type { SeasonContext } from '../context'
import type { PreyOutlook, Task } from '../contracts'
import type { FeederPlan } from './contracts'
import { STARTS_AHEAD } from './due'

type Context = Pick<SeasonContext, 'house' | 'almanac' | 'settings' | 'today'>

function reasonFor(only: CultureState, { almanac, settings }: Context): Reason {
  const school = schoolChoice(almanac, settings.schools, 'secondColony')
  return {
    rule: 'A second of everything: what takes months to grow again is not kept once only, and the second not at the same place',
    inputs: [settingInput('School', school.name, 'secondColony'), computedInput('Runs', only.tag)],
    change: 'A second one, or the other school in Settings',
  }
}

function taskOf({ prey, unit }: FeederPlan, only: CultureState, due: Day, context: Context): Task {
  const feeder = feederOf(context.almanac, prey)
  const founders = feeder.recipe?.founders.value
  return {
    id: `second:${prey}`,
    kind: 'start',
    subject: { type: 'prey', id: prey },
    tag: feeder.name,
    placeId: null,
    due,
    what: `Start a second ${unit} of ${feeder.many}`,
    detail: `${only.tag} is the only one${founders ? `; it takes about ${founders} of it` : ''}; let it stand elsewhere`,
    actions: [{ label: 'Start 1', kind: 'cultureStarted', data: { feederId: prey }, times: 1, tone: 'main' }],
    caution: feeder.cautions[0],
    reasons: [reasonFor(only, context)],
  }
}

/**
 * Plans with the second colony that the school of the house asks for: where somebody eats the prey, only one runs, it is
 * grown enough to found another, and the plan starts none anyhow.
 */
export function withSecond(plans: readonly FeederPlan[], prey: readonly PreyOutlook[], context: Context): FeederPlan[] {
  const { house, almanac, settings, today } = context
  const wanted = schoolChoice(almanac, settings.schools, 'secondColony').fact?.value ?? 1
  if (wanted < 2) return [...plans]
  const eaten = new Set(prey.filter(({ mean }) => mean.some(n => n > 0)).map(p => p.prey))
  const running = Object.values(house.cultures).filter(c => !c.failed && !c.finished)
  return plans.map(plan => {
    if (plan.kind !== 'colony' || !eaten.has(plan.prey)) return plan
    const [only, ...others] = running.filter(c => c.feederId === plan.prey)
    if (!only || others.length || !only.producing || !mayFound(only)) return plan
    if (plan.starts.some(s => s.day <= today + STARTS_AHEAD)) return plan
    const day = nextWeekday(today, settings.cultureWeekday)
    return { ...plan, second: taskOf(plan, only, day, context) }
  })
}
