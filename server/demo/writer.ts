import { seededRandom } from '#core/chance'
import {
  THE_HOUSE,
  animalAdded,
  placeAdded,
  type AnimalCard,
  type DatedEntry,
  type Place,
  type Subject,
} from '#core/subjects'
import type { HouseSettings } from '#core/settings'
import { shippedAlmanac, speciesOf } from '#core/almanac'
import { ladderStepAt, rodentFor, firstMealAge } from '#core/feeding'

/** Nothing of the demo house was written down longer ago. */
const SET_UP_DAYS_AGO = 1500

/** Writes an invented house: days count from today (negative = past), so that it always looks alive. */
export class DemoWriter {
  readonly places: Place[] = []
  readonly animals: AnimalCard[] = []
  readonly entries: DatedEntry[] = []
  readonly random = seededRandom(1207)
  private serial = 0

  constructor(readonly today: number) {}

  private id(): string {
    this.serial++
    return `018f0000-0000-7000-8000-${this.serial.toString(16).padStart(12, '0')}`
  }

  /** A number between low and high. */
  between(low: number, high: number): number {
    return low + (high - low) * this.random()
  }

  place(
    name: string,
    kind: Place['kind'],
    parent: Place | null,
    tempC: number | null = null,
    capacity: number | null = null,
  ): Place {
    const order = this.places.filter(p => p.parentId === (parent?.id ?? null)).length + 1
    const place: Place = { id: this.id(), name, kind, parentId: parent?.id ?? null, order, tempC, capacity }
    this.places.push(place)
    return place
  }

  animal(
    tag: string,
    speciesId: string,
    sex: AnimalCard['sex'],
    bornDaysAgo: number,
    place: Place | null,
    more: Partial<AnimalCard> = {},
  ): AnimalCard {
    const card: AnimalCard = {
      id: this.id(),
      tag,
      name: null,
      speciesId,
      sex,
      bornDay: this.today - bornDaysAgo,
      placeId: place?.id ?? null,
      damId: null,
      sireId: null,
      clutchId: null,
      foundedBy: null,
      ...more,
    }
    this.animals.push(card)
    return card
  }

  write(
    kind: string,
    subject: Subject | null,
    days: number,
    data: Record<string, unknown> = {},
    note?: string,
  ): string {
    const id = this.id()
    const day = this.today + days
    const at = new Date(day * 86_400_000 + Math.round(this.between(8, 15) * 3_600_000)).toISOString()
    this.entries.push({
      id,
      at,
      day,
      subject: subject ?? { type: 'pairing', id },
      kind,
      data,
      source: 'demo',
      ...(note && { note }),
    })
    return id
  }

  /** What an entry of its own brings into being. */
  found(type: Subject['type'], kind: string, days: number, data: Record<string, unknown>): Subject {
    const id = this.write(kind, null, days, data)
    const subject = { type, id } as Subject
    this.entries.at(-1)!.subject = subject
    return subject
  }

  /** The house as it was set up, and the animals as they came into it: long ago, or when they were born. */
  foundings(settings: HouseSettings): DatedEntry[] {
    const arrival = (day: number, hour: number) => ({
      at: new Date(day * 86_400_000 + hour * 3_600_000).toISOString(),
      day,
      source: 'demo' as const,
    })
    const setUp = this.today - SET_UP_DAYS_AGO
    const changed: DatedEntry = {
      id: this.id(),
      ...arrival(setUp, 6),
      subject: { type: 'settings', id: THE_HOUSE },
      kind: 'settingsChanged',
      data: { ...settings },
    }
    return [
      changed,
      ...this.places.map(p => placeAdded(p, arrival(setUp, 7))),
      ...this.animals.map(a => animalAdded(a, arrival(Math.max(setUp, a.bornDay ?? setUp), 7))),
    ]
  }

  about(card: AnimalCard): Subject {
    return { type: 'animal', id: card.id }
  }

  pair(tag: string, dam: AnimalCard, sire: AnimalCard | null, days: number): Subject {
    const id = this.id()
    this.entries.push({
      id,
      at: new Date((this.today + days) * 86_400_000 + 9 * 3_600_000).toISOString(),
      day: this.today + days,
      subject: { type: 'pairing', id },
      kind: 'paired',
      data: { tag, damId: dam.id, sireId: sire?.id ?? null },
      source: 'demo',
    })
    return { type: 'pairing', id }
  }

  /** A locus; returns its id. */
  named(days: number, data: Record<string, unknown>): string {
    const id = this.id()
    this.entries.push({
      id,
      at: new Date((this.today + days) * 86_400_000 + 10 * 3_600_000).toISOString(),
      day: this.today + days,
      subject: { type: 'locus', id },
      kind: 'locusNamed',
      data,
      source: 'demo',
    })
    return id
  }

  founded(
    kind: 'cultureStarted' | 'lampFitted' | 'jobAdded' | 'groupAdded',
    days: number,
    data: Record<string, unknown>,
  ): Subject {
    const type = ({ cultureStarted: 'culture', lampFitted: 'lamp', jobAdded: 'job', groupAdded: 'group' } as const)[
      kind
    ]
    const id = this.id()
    this.entries.push({
      id,
      at: new Date((this.today + days) * 86_400_000 + 10 * 3_600_000).toISOString(),
      day: this.today + days,
      subject: { type, id },
      kind,
      data,
      source: 'demo',
    })
    return { type, id }
  }

  /** Weights along a saturating growth curve with a little noise, ending at `endG` on the last weighing. */
  weights(
    card: AnimalCard,
    startG: number,
    endG: number,
    fromDaysAgo: number,
    everyDays: number,
    lastDaysAgo: number,
  ): void {
    const times = Math.floor((fromDaysAgo - lastDaysAgo) / everyDays)
    for (let n = times; n >= 0; n--) {
      const t = times === 0 ? 1 : 1 - n / times
      const mass = startG + (endG - startG) * (1 - (1 - t) ** 1.6)
      const noisy = mass * (1 + this.between(-0.012, 0.012))
      this.write('weighed', this.about(card), -(lastDaysAgo + n * everyDays), {
        massG: Number(noisy.toFixed(noisy < 20 ? 1 : 0)),
      })
    }
  }

  /** A winter that is over: weighed, cooled, weighed at its share of the start, warmed. */
  winter(card: AnimalCard, startG: number, cooledAgo: number, warmedAgo: number, shares: number[]): void {
    this.write('weighed', this.about(card), -cooledAgo - 1, { massG: Math.round(startG) })
    this.write('cooledDown', this.about(card), -cooledAgo)
    shares.forEach((share, i) =>
      this.write(
        'weighed',
        this.about(card),
        -Math.round(cooledAgo - ((cooledAgo - warmedAgo) * (i + 1)) / shares.length),
        { massG: Math.round(startG * share) },
      ),
    )
    this.write('warmedUp', this.about(card), -warmedAgo + 1)
  }

  /**
   * A winter that runs: weighed before it, cooled, and weighed since at these shares of the start, the last some days
   * ago.
   */
  inCold(card: AnimalCard, startG: number, cooledAgo: number, place: Place, shares: number[]): void {
    this.write('weighed', this.about(card), -cooledAgo - 1, { massG: Math.round(startG) })
    this.write('cooledDown', this.about(card), -cooledAgo, { placeId: place.id })
    const every = Math.floor((cooledAgo - 3) / shares.length)
    shares.forEach((share, i) =>
      this.write('weighed', this.about(card), -cooledAgo + every * (i + 1), { massG: Math.round(startG * share) }),
    )
  }

  winterGroup(
    tag: string,
    speciesId: string,
    place: Place | null,
    cooledAgo: number,
    animalIds: string[],
    ways: Record<string, unknown> = {},
  ): void {
    const id = this.id()
    const day = this.today - Math.max(cooledAgo + 25, 10)
    const cool = new Date((this.today - cooledAgo) * 86_400_000).toISOString().slice(0, 10)
    this.entries.push({
      id,
      at: new Date(day * 86_400_000 + 11 * 3_600_000).toISOString(),
      day,
      subject: { type: 'winter', id },
      kind: 'winterPlanned',
      data: { tag, speciesId, placeId: place?.id ?? null, cool, ways, animalIds },
      source: 'demo',
    })
  }

  /** Meals at the species' rhythm up to `lastDaysAgo`, now and then refused. */
  meals(card: AnimalCard, massG: number, fromDaysAgo: number, lastDaysAgo: number, refusesLast = 0): void {
    const species = speciesOf(shippedAlmanac, card.speciesId)
    const days: number[] = []
    for (let ago = lastDaysAgo; ago <= fromDaysAgo;) {
      days.push(ago)
      const age = Math.max(0, this.today - ago - card.bornDay! - firstMealAge(species))
      ago += Math.max(1, Math.round(ladderStepAt(species.ladder, age).step.everyDays))
    }
    days.forEach((ago, i) => {
      const age = Math.max(0, this.today - ago - card.bornDay! - firstMealAge(species))
      const [first] = ladderStepAt(species.ladder, age).step.meal
      const prey = species.eats === 'rodents' ? rodentFor(shippedAlmanac, massG, 0.1) : first!.prey
      const offered = species.eats === 'rodents' ? 1 : first!.count
      const refused = i < refusesLast || (i > 3 && this.random() < 0.03)
      this.write('fed', this.about(card), -ago, { prey, offered, taken: refused ? 0 : offered })
    })
  }
}
