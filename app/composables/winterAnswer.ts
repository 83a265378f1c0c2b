import type { WinterOutlook } from '#core/season'
import { formatWeekday } from '#core/units'

const MOST_NAMED = 6

function list(tags: string[]): string {
  if (tags.length > MOST_NAMED) return `${tags.slice(0, MOST_NAMED).join(', ')} and ${tags.length - MOST_NAMED} more`
  return tags.length < 2 ? tags.join('') : `${tags.slice(0, -1).join(', ')} and ${tags.at(-1)}`
}

/** Who is in trouble, who is next: the answer of the Brumation screen in words. */
export function winterAnswer(winter: WinterOutlook, today: number): string {
  const by = (action: string) => winter.cold.filter(c => c.verdict.value.action === action).map(c => c.tag)
  const [out, water, weigh] = [
    by('takeOut'),
    by('offerWater'),
    winter.cold
      .filter(c => c.verdict.value.weighInDays === 0 && ['weighAgain', 'carryOn'].includes(c.verdict.value.action))
      .map(c => c.tag),
  ]
  const parts: string[] = []
  if (out.length) parts.push(`Take out ${list(out)} now.`)
  if (water.length) parts.push(`Offer water to ${list(water)}.`)
  if (!out.length && !water.length && winter.cold.length)
    parts.push(`All ${winter.cold.length} in the cold are as expected.`)
  if (weigh.length) parts.push(weigh.length > 4 ? `${weigh.length} are to be weighed.` : `Weigh ${list(weigh)}.`)
  const waking = winter.groups.filter(g => g.members.some(m => m.state === 'cold') && g.programme.wakeDay <= today + 7)
  if (waking.length)
    parts.push(
      `${list(waking.map(g => g.tag))} ${waking.length === 1 ? 'wakes' : 'wake'} by ${formatWeekday(Math.max(today, waking[0]!.programme.wakeDay))}.`,
    )
  const next = winter.groups.find(g => g.members.some(m => m.state === 'awake') && g.programme.wakeDay > today)
  if (next) {
    const awake = next.members.filter(m => m.state === 'awake')
    const unfit = awake.filter(m => m.eligibility && !['cool', 'shorten'].includes(m.eligibility.value.fitness))
    parts.push(
      `Next: ${next.tag}, ${awake.length} from ${formatWeekday(Math.max(today, next.programme.coolDay))}${unfit.length ? `; ${list(unfit.map(m => m.tag))} not fit yet` : ', all fit'}.`,
    )
  }
  return parts.length ? parts.join(' ') : 'Nothing is in the cold, and no winter is planned.'
}
