import { foundings } from '../tests/fixtures/records'
import { seededRandom } from '#core/chance'
import { recordsFrom, type AnimalCard, type DatedEntry, type Place, type Records, type Subject } from '#core/subjects'

export interface HouseSize {
  animals: number
  clutches: number
  cultures: number
  entries: number
}

const SPECIES = [
  'california-kingsnake',
  'corn-snake',
  'fat-tailed-gecko',
  'ocellated-lizard',
  'fire-bellied-toad',
  'hermanns-tortoise',
]
const FEEDERS = ['fly.small', 'fly.large', 'beanBeetle', 'springtail']

/** A generated house of a wished size; invented numbers, the same for the same seed. */
export function bigHouse(
  size: HouseSize,
  today: number,
): { records: Records; log: DatedEntry[]; places: Place[]; animals: AnimalCard[] } {
  const random = seededRandom(9)
  const log: DatedEntry[] = []
  let serial = 0
  const write = (
    kind: string,
    subject: Subject | null,
    day: number,
    data: Record<string, unknown>,
    type: Subject['type'] = 'pairing',
  ): string => {
    const id = `e${(serial++).toString(36).padStart(7, '0')}`
    log.push({
      id,
      at: new Date(day * 86_400_000 + 3_600_000 * 10).toISOString(),
      day,
      subject: subject ?? { type, id },
      kind,
      data,
      source: 'demo',
    })
    return id
  }
  const places: Place[] = Array.from({ length: 20 }, (_, i) => ({
    id: `r${i}`,
    name: `Room ${i}`,
    kind: 'room' as const,
    parentId: null,
    order: i,
    tempC: 25,
    capacity: null,
  }))
  const animals: AnimalCard[] = Array.from({ length: size.animals }, (_, i) => ({
    id: `a${i}`,
    tag: `A-${i}`,
    name: null,
    speciesId: SPECIES[Math.floor(i / 2) % SPECIES.length]!,
    sex: i % 2 ? 'male' : 'female',
    bornDay: today - 400 - Math.floor(random() * 1500),
    placeId: `r${i % 20}`,
    damId: null,
    sireId: null,
    clutchId: null,
    foundedBy: null,
  }))
  for (let i = 0; i < size.clutches; i++) {
    const dam = animals[(i * 2) % size.animals]!
    const pair = write('paired', null, today - 120, {
      tag: `P-${i}`,
      damId: dam.id,
      sireId: animals[(i * 2 + 1) % size.animals]!.id,
    })
    write('copulation', { type: 'pairing', id: pair }, today - 90, { confirmed: true })
    const laid = write('laid', { type: 'pairing', id: pair }, today - Math.floor(random() * 50), {
      tag: `C-${i}`,
      eggs: 8,
      slugs: 1,
      tempC: 28,
      placeId: null,
    })
    if (i % 4 === 0) write('candled', { type: 'clutch', id: laid }, today, { good: 6 })
  }
  for (let i = 0; i < size.cultures; i++) {
    const started = today - Math.floor(random() * 30)
    const id = write(
      'cultureStarted',
      null,
      started,
      { tag: `F-${i}`, feederId: FEEDERS[i % FEEDERS.length], placeId: 'r1' },
      'culture',
    )
    if (today - started > 22) write('producing', { type: 'culture', id }, started + 21, {})
  }
  const left = size.entries - log.length
  for (let i = 0; i < left; i++) {
    const animal = animals[i % size.animals]!
    const day = today - Math.floor(((left - i) / left) * 380)
    const subject = { type: 'animal' as const, id: animal.id }
    if (i % 5 === 0) write('weighed', subject, day, { massG: 100 + (i % 400) })
    else write('fed', subject, day, { prey: 'mouse.hopper', offered: 1, taken: i % 17 ? 1 : 0 })
  }
  return { records: recordsFrom([...foundings(places, animals), ...log]), log, places, animals }
}
