import { describe, expect, it } from 'vitest'
import type { BreedingOutlook, DueWithHer, Task } from '#core/season'
import type { Visit } from '#core/pairing'
import { pairingAnswer } from './pairingAnswer'

const today = 20_600
const visit = (damId: string, sireId: string, from: number, to: number, running: boolean): Visit => ({
  pairingId: damId,
  damId,
  sireId,
  from: today + from,
  to: today + to,
  running,
  why: '',
  reasons: [],
})
const due = (part: Partial<DueWithHer>): DueWithHer => ({
  pairingId: 'p',
  tag: 'P-1',
  damId: 'A',
  sireId: 'M',
  speciesId: 'x',
  stage: 'pairing',
  next: null,
  birth: null,
  load: null,
  locks: 0,
  together: false,
  visit: null,
  unvisited: null,
  ...part,
})
const say = (outlook: Partial<BreedingOutlook>, tasks: Partial<Task>[] = []) =>
  pairingAnswer({ rota: [], unvisited: [], due: [], ...outlook }, { today, tasks: tasks as Task[] }, id => id)

describe('the answer of the Pairing screen', () => {
  it('says first who comes out, then who goes in, who is together, who rests', () => {
    const rota = [
      visit('A', 'M', -2, 0, true),
      visit('B', 'N', 0, 2, false),
      visit('C', 'O', -1, 1, true),
      visit('D', 'M', 4, 6, false),
    ]
    expect(say({ rota, due: [due({})] }, [{ id: 'rest:p', tag: 'E' }])).toBe(
      'Out today: M from A. In today: N to B. Together: C and O. To rest: E.',
    )
  })

  it('names those that want a visit and get none, but for those that only wait for their day', () => {
    expect(
      say({
        unvisited: ['A', 'B', 'C', 'D'].map(damId => ({
          pairingId: damId,
          damId,
          sireId: 'M',
          why: 'too light',
          waits: damId === 'B',
          reasons: [],
        })),
        due: [due({})],
      }),
    ).toBe('No visit for: A, C, D.')
  })

  it('names the gravid female that is due next, by her laying rather than an earlier sign', () => {
    const when = { median: today + 10, low: today + 8, high: today + 13, never: 0.1 }
    const text = say({
      due: [
        due({
          stage: 'gravid',
          next: { event: 'pre-lay shed', when: { ...when, median: today + 1 }, reasons: [] },
          birth: { event: 'laying', when, reasons: [] },
        }),
      ],
    })
    expect(text).toMatch(/^A: laying \d+ \w+ \(/)
  })

  it('names three and counts the rest', () => {
    expect(say({ rota: ['A', 'B', 'C', 'D', 'E'].map(d => visit(d, `m${d}`, 0, 2, false)), due: [due({})] })).toBe(
      'In today: mA to A, mB to B, mC to C and 2 more.',
    )
  })

  it('says how to begin without pairs, and that nothing is due with quiet ones', () => {
    expect(say({})).toMatch(/^No pair is set\. Choose on the bench/)
    expect(say({ due: [due({})] })).toBe('Nothing is due with a pair today.')
  })
})
