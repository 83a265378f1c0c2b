import { careEntries, tellRhythm, type CareLine } from '#core/jobs'
import { FINDING_WORDS, type Finding } from '#core/subjects/care'

/** Writes what was done of a line of care. */
export function useCare() {
  const house = useHouse()
  const { record, busy } = useRecord()
  const placeName = (id: string) => house.house.places[id]?.name ?? id

  /** Done at all places of a line but some; `nothing`: it was looked for, and nothing was found. */
  async function doneFor(line: CareLine, but: ReadonlySet<string> = new Set(), nothing = false): Promise<boolean> {
    const at = line.stops.filter(s => !but.has(s.placeId))
    const where =
      line.areaId === null
        ? ''
        : at.length === 1
          ? `, ${placeName(at[0]!.placeId)}`
          : `, ${at.length} in ${placeName(line.areaId)}${but.size ? `, not ${but.size}` : ''}`
    const entries = careEntries(line, but, nothing ? [] : undefined)
    return (await record(entries, `${line.name}${where}: ${nothing ? 'nothing found' : 'done'}`)) !== null
  }

  /** Done at one place, where something was found. */
  async function foundAt(line: CareLine, placeId: string, found: Finding[], note: string): Promise<boolean> {
    const what = [found.map(f => FINDING_WORDS[f]).join(', '), note].filter(Boolean).join(': ')
    const written = await record(
      {
        kind: 'cared',
        subject: { type: 'place', id: placeId },
        data: { job: line.job, found, ...(note && { note }) },
      },
      `${line.name}, ${placeName(placeId)}: ${what}; it stays in the Round until it is settled`,
    )
    return written !== null
  }

  /** Another rhythm at one place, as it was proposed. */
  const setRhythm = (job: string, name: string, placeId: string, everyDays: number) =>
    record(
      { kind: 'rhythmSet', subject: { type: 'place', id: placeId }, data: { job, everyDays } },
      `${name} in ${placeName(placeId)}: ${tellRhythm(everyDays)}`,
    )
  return { doneFor, foundAt, setRhythm, busy }
}
