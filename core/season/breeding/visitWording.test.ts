import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../../tests/fixtures/records'
import { shippedAlmanac as almanac, speciesOf } from '../../almanac'
import { foldHouse } from '../../subjects'
import { hasMating } from './loads'
import type { Pairable, WhyVisit } from './visitFindings'
import { tellVisit } from './visitWording'

const today = 20_560
const species = speciesOf(almanac, 'corn-snake')
if (!hasMating(species)) throw new Error('it mates')
const b = new HouseBuilder(today).animal('F', species.id, { sex: 'female' }).animal('M', species.id, { sex: 'male' })
b.pair('F', 'M', -40, 'P')
const pairing = foldHouse(b.records()).pairings.P!
const tell = (why: WhyVisit) => tellVisit(why, { pairing, species, almanac, today })
const both = (later: Pairable, locks = 0) => tell({ is: 'both', later, locks })
const own = { rule: 'Its own rule', inputs: [] }

describe('why a pair is visited', () => {
  it('what waits, and for whom', () => {
    expect(both({ is: 'any', day: today }).why).toBe('no lock yet')
    expect(both({ is: 'any', day: today }, 1).why).toBe('1 lock seen')
    expect(both({ is: 'any', day: today }, 3).why).toBe('3 locks seen')
    const ready = { day: today + 9, tag: 'M', reasons: [own] }
    expect(both({ is: 'readyAbout', ...ready }).why).toMatch(/^M ready about /)
    expect(both({ is: 'readySince', ...ready }).why).toMatch(/^M ready since /)
    expect(both({ is: 'readyAbout', ...ready }).reasons.at(-1)).toBe(own)
    expect(tell({ is: 'notReady', tag: 'F' }).why).toBe('F is not ready in sight')
  })

  it('who is together and should not be is to be taken out; who is apart is told why', () => {
    expect(tell({ is: 'carries' }).why).toBe('she carries: take him out')
    const by = { is: 'rests' as const, told: 'not well', reasons: [own] }
    expect(tell({ is: 'hindered', by, together: true }).why).toBe('she rests: not well: take him out')
    const apart = tell({ is: 'hindered', by, together: false })
    expect(apart.why).toBe('she rests: not well')
    // the most telling stands first
    expect(apart.reasons[0]).toBe(own)
    expect(tell({ is: 'hindered', by: { ...by, is: 'bench', told: 'they are kin' }, together: false }).why).toBe(
      'they are kin',
    )
  })

  it('after a clutch it leads to the entry of the clutch, and to the numbers it goes by', () => {
    const { why, reasons } = tell({ is: 'laid', on: { day: today - 3, entryId: 'e1' } })
    expect(why).toMatch(/^laid .*: male in again$/)
    const inputs = reasons.flatMap(r => r.inputs.map(i => i.from))
    expect(inputs).toContainEqual({ kind: 'entry', entryId: 'e1', day: today - 3 })
    expect(inputs).toContainEqual(expect.objectContaining({ kind: 'almanac', path: 'common.maleAfterUntil.value' }))
  })
})
