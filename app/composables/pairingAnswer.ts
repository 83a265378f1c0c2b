import type { BreedingOutlook, Season } from '#core/season'
import { formatRange } from '#core/units'

const some = (list: string[], most = 3) =>
  list.length > most ? `${list.slice(0, most).join(', ')} and ${list.length - most} more` : list.join(', ')

/** The screen's answer in words: what is to be done with pairs today, and which female is due next. */
export function pairingAnswer(
  { rota, unvisited, due }: BreedingOutlook,
  season: Pick<Season, 'today' | 'tasks'>,
  tagOf: (id: string) => string,
): string {
  const { today } = season
  const parts: string[] = []
  const goes = rota.filter(v => !v.running && v.from === today).map(v => `${tagOf(v.sireId)} to ${tagOf(v.damId)}`)
  const comes = rota.filter(v => v.running && v.to <= today).map(v => `${tagOf(v.sireId)} from ${tagOf(v.damId)}`)
  const together = rota.filter(v => v.running && v.to > today).map(v => `${tagOf(v.damId)} and ${tagOf(v.sireId)}`)
  const rests = season.tasks.filter(t => t.id.startsWith('rest:')).map(t => t.tag)
  if (comes.length) parts.push(`Out today: ${some(comes)}.`)
  if (goes.length) parts.push(`In today: ${some(goes)}.`)
  if (together.length) parts.push(`Together: ${some(together)}.`)
  if (rests.length) parts.push(`To rest: ${some(rests)}.`)
  const hindered = unvisited.filter(u => !u.waits).map(u => tagOf(u.damId))
  if (hindered.length) parts.push(`No visit for: ${some(hindered)}.`)
  const next = due.find(d => d.stage === 'gravid' && (d.birth ?? d.next))
  const sign = next ? (next.birth ?? next.next) : null
  if (next && sign) parts.push(`${tagOf(next.damId)}: ${sign.event} ${formatRange(sign.when)}.`)
  if (!parts.length)
    return due.length
      ? 'Nothing is due with a pair today.'
      : 'No pair is set. Choose on the bench: who goes with whom, and why.'
  return parts.join(' ')
}
