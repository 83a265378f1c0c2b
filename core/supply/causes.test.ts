import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../tests/fixtures/records'
import { feederOf, shippedAlmanac as almanac } from '../almanac'
import { defaultSettings, season } from '../season'
import { CAUSE_WORDS, TROUBLES, causeName, entryKinds, foldHouse, mayFound } from '../subjects'
import { causeNamed, causesOf, foundersFrom } from '.'

const today = 20_000
/** A cup of large flies and a colony of roaches. */
const house = () => {
  const b = new HouseBuilder(today)
  const cup = b.culture('F-1', 'fly.large', -24)
  const tub = b.culture('RO-1', 'roach.nymph', -300)
  return { b, cup, tub }
}
const find = (b: HouseBuilder, id: string, what: string, day = -1) =>
  b.write('cultureFound', { type: 'culture', id }, day, { what })
const causes = (b: HouseBuilder, id: string, tempC: number | null = null, at = today) => {
  const { cultures } = foldHouse(b.records())
  const culture = cultures[id]!
  const trouble = culture.troubles.at(-1)!
  const feeder = feederOf(almanac, culture.feederId)
  return causesOf(culture, trouble, { feeder, tempC, cultures: Object.values(cultures), almanac, today: at })
}
const ids = (found: ReturnType<typeof causes>) => found.causes.map(c => c.id)

describe('what a finding may come from', () => {
  it('by hand: the usual order where nothing is known, each so much as likely as the one before', () => {
    const { b, tub } = house()
    find(b, tub, 'dying')
    const found = causes(b, tub)
    expect(ids(found)).toEqual(['hot', 'dry', 'wet', 'treated', 'aged'])
    const powers = [0, 1, 2, 3, 4].map(i => 0.7 ** i)
    const all = powers.reduce((a, n) => a + n, 0)
    found.causes.forEach((c, i) => expect(c.chance).toBeCloseTo(powers[i]! / all, 9))
  })

  it('a warm shelf speaks for too hot and against too cold, a usual one against both', () => {
    const { b, tub } = house()
    const usual = feederOf(almanac, 'roach.nymph').colony!.atTempC.value
    find(b, tub, 'dying')
    const chance = (tempC: number | null) => causes(b, tub, tempC).causes.find(c => c.id === 'hot')!.chance
    expect(chance(usual + 6)).toBeGreaterThan(chance(null))
    expect(chance(usual)).toBeLessThan(chance(null))
    // by hand: its weight four times as large, and a quarter of it, among the others
    const powers = [0, 1, 2, 3, 4].map(i => 0.7 ** i)
    const rest = powers.slice(1).reduce((a, n) => a + n, 0)
    expect(chance(usual + 6)).toBeCloseTo(4 / (4 + rest), 9)
    expect(chance(usual)).toBeCloseTo(0.25 / (0.25 + rest), 9)
  })

  it('what is ruled out is left out, and the others share what it had; none are left in the end', () => {
    const { b, tub } = house()
    const of = find(b, tub, 'smell', -5)
    let left = ids(causes(b, tub))
    while (left.length) {
      const [first, ...others] = left
      b.write('troubleFollowed', { type: 'culture', id: tub }, 0, { of, says: 'not', cause: first })
      const found = causes(b, tub)
      expect(ids(found)).toEqual(others)
      expect(found.causes.reduce((n, c) => n + c.chance, 0)).toBeCloseTo(others.length ? 1 : 0, 9)
      left = others
    }
    expect(
      season(b.records(), almanac, defaultSettings, today).season.tasks.find(t => t.id === `trouble:${of}`)!.detail,
    ).toMatch(/none of what is usual/)
  })

  it('what this house found before comes first the next time', () => {
    const { b, tub } = house()
    for (let n = 0; n < 6; n++) {
      const of = find(b, tub, 'dying', -60 + n)
      b.write('troubleFollowed', { type: 'culture', id: tub }, -60 + n, { of, says: 'is', cause: 'treated' })
      b.write('troubleFollowed', { type: 'culture', id: tub }, -60 + n, { of, says: 'over' })
    }
    find(b, tub, 'dying')
    expect(ids(causes(b, tub))[0]).toBe('treated')
  })

  it('dry air speaks for too dry and against too wet, damp air the other way, and the usual against both', () => {
    const { b, cup } = house()
    find(b, cup, 'dying')
    const { cultures } = foldHouse(b.records())
    const feeder = feederOf(almanac, 'fly.large')
    const [low, high] = [feeder.humidity!.low.value, feeder.humidity!.high.value]
    const chances = (humidityPct: number | null, of = feeder) => {
      const known = { feeder: of, tempC: null, humidityPct, cultures: Object.values(cultures), almanac, today }
      const { causes: found } = causesOf(cultures[cup]!, cultures[cup]!.troubles.at(-1)!, known)
      return Object.fromEntries(found.map(c => [c.id, c.chance]))
    }
    const [unknown, dry, damp, usual] = [null, low - 1, high + 1, low].map(pct => chances(pct))
    expect(dry!.dry).toBeGreaterThan(unknown!.dry!)
    expect(dry!.wet).toBeLessThan(unknown!.wet!)
    expect(damp!.wet).toBeGreaterThan(unknown!.wet!)
    expect(damp!.dry).toBeLessThan(unknown!.dry!)
    expect(usual!.dry).toBeLessThan(unknown!.dry!)
    // by hand: hot, dry, wet, treated food in the usual order, dry four times as likely and wet a quarter
    const powers = [1, 4 * 0.7, 0.25 * 0.7 ** 2, 0.7 ** 3]
    expect(dry!.dry).toBeCloseTo((4 * 0.7) / powers.reduce((a, n) => a + n, 0), 9)
    // of what nobody says how damp it is to be, nothing is said
    expect(chances(5, { ...feeder, humidity: undefined })).toEqual(unknown)
  })

  it('of a cup other causes are looked at than of a colony; an old one speaks for mites of its age', () => {
    const { b, cup, tub } = house()
    find(b, cup, 'mites')
    find(b, tub, 'mites')
    expect(ids(causes(b, tub))).not.toContain('old')
    expect(ids(causes(b, cup))[0]).not.toBe('old')
    expect(ids(causes(b, cup, null, today + 10))[0]).toBe('old')
  })
})

describe('a culture in which something was found', () => {
  const tasks = (b: HouseBuilder) => season(b.records(), almanac, defaultSettings, today).season.tasks
  it('founds no other while it has mites, and does again when they are gone', () => {
    const { b, cup } = house()
    b.write('producing', { type: 'culture', id: cup }, -3, {})
    const flies = feederOf(almanac, 'fly.large')
    const founders = () => {
      return foundersFrom(flies, foldHouse(b.records()), () => 24, almanac, today, today, 50).map(f => f.culture.tag)
    }
    expect(founders()).toEqual(['F-1'])
    const of = find(b, cup, 'mites')
    expect(founders()).toEqual([])
    expect(mayFound(foldHouse(b.records()).cultures[cup]!)).toBe(false)
    b.write('troubleFollowed', { type: 'culture', id: cup }, 0, { of, says: 'over' })
    expect(founders()).toEqual(['F-1'])
    // a smell goes nowhere with them
    find(b, cup, 'smell', 0)
    expect(founders()).toEqual(['F-1'])
  })

  it('stands in the round with the likeliest cause to look at, then what to do, until it is over', () => {
    const { b, tub } = house()
    const of = find(b, tub, 'leaving')
    const task = () => tasks(b).find(t => t.id === `trouble:${of}`)
    expect(task()!.detail).toMatch(/^too hot\?/)
    expect(task()!.actions.map(a => [a.label, a.data.says, a.data.cause])).toEqual([
      ['That is it', 'is', 'hot'],
      ['Not that', 'not', 'hot'],
    ])
    b.write('troubleFollowed', { type: 'culture', id: tub }, 0, { of, says: 'not', cause: 'hot' })
    expect(task()!.detail).toMatch(/^too wet\?/)
    b.write('troubleFollowed', { type: 'culture', id: tub }, 0, { of, says: 'is', cause: 'wet' })
    expect(task()!.detail).toMatch(/^too wet: Dry bedding/)
    expect(task()!.actions.map(a => a.data.says)).toEqual(['over'])
    b.write('troubleFollowed', { type: 'culture', id: tub }, 0, { of, says: 'over' })
    expect(task()).toBeUndefined()
  })
})

describe('a cause in the log', () => {
  const told = (data: Record<string, unknown>) =>
    entryKinds.get('troubleFollowed')!.wording({ of: 'e1', ...data } as never, {} as never)

  it('is called by its name, and by what was written where there is none of that id', () => {
    expect(told({ says: 'is', cause: 'overfed' })).toBe('Cause: fed too much')
    expect(told({ says: 'not', cause: 'few' })).toBe('Not the cause: too few founders')
    expect(told({ says: 'is', cause: 'toString' })).toBe('Cause: toString')
    expect(told({ says: 'over' })).toBe('It is over')
  })

  it('has a name and a remedy for each that a finding may come from', () => {
    for (const what of TROUBLES)
      for (const cause of Object.keys(CAUSE_WORDS)) {
        const named = causeNamed(what, cause)
        if (named) expect(named).toMatchObject({ name: causeName(cause), remedy: expect.stringMatching(/\.$/) })
      }
    // each belongs to some finding
    const used = Object.keys(CAUSE_WORDS).filter(cause => TROUBLES.some(what => causeNamed(what, cause)))
    expect(used).toEqual(Object.keys(CAUSE_WORDS))
  })
})
