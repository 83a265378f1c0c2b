import type { Almanac } from '../../almanac'
import { computedInput, entryInput, factInput, type Reason } from '../../judgement'
import { WORKED_APART, type AnimalState, type Quarantine } from '../../subjects'
import { formatDay, formatDistance } from '../../units'
import type { Told } from './told'

export const LABELS = { clear: 'Clear', notClear: 'Not clear' } as const

type Tested = Pick<AnimalState, 'droppings'>

const reasonOf = (
  { since }: Quarantine,
  { droppings }: Tested,
  { common: { quarantineDays, quarantineTestAfter } }: Almanac,
  today: number,
): Reason => ({
  rule: 'What comes new stays apart until its days are over and its droppings were clear (common practice)',
  inputs: [
    ...(since === null ? [] : [computedInput('There since', formatDay(since, today))]),
    factInput('Days apart', 'common.quarantineDays.value', quarantineDays!),
    factInput('Tested after', 'common.quarantineTestAfter.value', quarantineTestAfter!),
    ...(droppings ? [entryInput('Droppings', droppings.clear ? 'clear' : 'not clear', droppings)] : []),
  ],
  change: 'A test, or moving it to another place',
})

export const tellTest = (q: Quarantine, animal: Tested, almanac: Almanac, today: number): Told => ({
  what:
    q.tested === null ? 'Have its droppings tested' : 'Droppings were not clear: by the vet’s word, then test again',
  detail: q.until === null ? 'in quarantine' : `in quarantine until ${formatDay(q.until, today)}; keep the sample cool`,
  caution: WORKED_APART,
  reasons: [reasonOf(q, animal, almanac, today)],
})

export const tellLeave = (q: Quarantine, animal: Tested, almanac: Almanac, today: number): Told => ({
  what: 'May leave quarantine: move it to its home',
  detail: `${today - q.since!} days, droppings clear ${formatDistance(animal.droppings!.day, today)}`,
  caution: WORKED_APART,
  reasons: [reasonOf(q, animal, almanac, today)],
})
