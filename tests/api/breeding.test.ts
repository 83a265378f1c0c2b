import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { ProblemDetails } from '#shared/contracts/problem'
import type { BenchSnapshot, CellSnapshot } from '#shared/contracts/bench'
import type { HouseSnapshot, SeasonSnapshot } from '#shared/contracts/house'
import { startServer, type RunningServer } from './server'

const TODAY = '2026-11-25'
let server: RunningServer
beforeAll(async () => {
  server = await startServer()
})
afterAll(async () => {
  await server?.stop()
})

async function call<T>(path: string, method = 'GET', body?: unknown): Promise<{ status: number; body: T }> {
  const response = await fetch(server.address + path, {
    method,
    ...(body !== undefined && { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
  })
  return { status: response.status, body: (await response.json()) as T }
}
const house = async () => (await call<HouseSnapshot>('/api/house')).body.house
const list = (csv: string) =>
  call<{ added: number; elsewhere: number } & ProblemDetails>('/api/animals/list', 'POST', { csv })
const idOf = async (tag: string) => Object.values((await house()).animals).find(a => a.tag === tag)!.id
const entry = (
  kind: string,
  subject: { type: string; id: string },
  data: object = {},
  at = `${TODAY}T08:00:00Z`,
  id = v7(),
) => ({ id, at, subject, kind, data })
const write = (...entries: object[]) =>
  call<{ written: string[] } & ProblemDetails>('/api/entries', 'POST', { entries })
const refused = (answer: { status: number; body: ProblemDetails }) => [
  answer.status,
  answer.body.errors?.map(e => e.message).join('; ') ?? '',
]
const about = async (tag: string) => ({ type: 'animal', id: await idOf(tag) })

describe('a list of animals', () => {
  it('adds ancestors and young at once, young first or last, with those kept elsewhere', async () => {
    const { status, body } = await list(
      [
        'tag,species,sex,born,dam,sire,elsewhere',
        'X-1,Corn snake,female,2022-06-01,D-1,S-1,',
        'X-2,corn-snake,male,2022-06-03,D-1,S-2,',
        'X-3,Pantherophis guttatus,female,2022-06-03,D-2,S-2,',
        'D-1,Corn snake,female,2017-05-01,,,yes',
        'D-2,Corn snake,female,2017-05-01,,,yes',
        'S-1,Corn snake,male,2016-05-01,,,yes',
        'S-2,Corn snake,male,2016-05-01,,,x',
      ].join('\n'),
    )
    expect([status, body.added, body.elsewhere]).toEqual([200, 7, 4])
    const animals = Object.values((await house()).animals)
    expect(animals.find(a => a.tag === 'X-1')).toMatchObject({
      damId: await idOf('D-1'),
      sires: [{ id: await idOf('S-1'), chance: 1 }],
      status: 'alive',
    })
    expect(animals.find(a => a.tag === 'S-2')!.status).toBe('elsewhere')
  })

  it('refuses it whole, naming rows: unknown species, a taken tag, a parent that is not there, impossible parents', async () => {
    const before = Object.keys((await house()).animals).length
    const answer = await list(
      [
        'tag,species,sex,born,dam,sire',
        'Y-1,Dragon,,,,',
        'X-1,Corn snake,,,,',
        'Y-2,Corn snake,boy,,,',
        'Y-3,Corn snake,,2030-01-01,,',
        'Y-4,Corn snake,,,Q-9,',
        'Y-5,Corn snake,,2016-06-01,D-1,',
        'Y-6,Corn snake,,2024-06-01,,D-1',
        'Y-7,Corn snake,,2024-06-01,Y-7,',
      ].join('\n'),
    )
    expect(answer.status).toBe(422)
    const said = answer.body.errors!.map(e => e.message).join('\n')
    for (const text of [
      'Row 1: the almanac has no species “Dragon”',
      'Row 2: the tag X-1 is already in use',
      'Row 3: the sex is female, male or unknown, not “boy”',
      'Row 4: it cannot be born in the future',
      'Row 5: the dam Q-9 is neither',
      'Row 6: D-1 is not older than Y-5',
      'Row 7: D-1 is a female and cannot be the sire',
      'Row 8: Y-7 cannot be its own parent',
    ])
      expect(said).toContain(text)
    expect(answer.body.errors![0]!.path).toBe('rows.1.species')
    expect(Object.keys((await house()).animals)).toHaveLength(before)
  })

  it('a loop, a missing heading, an unknown column: said, and nothing half written', async () => {
    expect(
      refused(await list('tag,species,dam\nL-1,Corn snake,L-3\nL-2,Corn snake,L-1\nL-3,Corn snake,L-2'))[1],
    ).toMatch(/own ancestor: L-1 from L-3 from L-2 from L-1/)
    expect(refused(await list('L-1,Corn snake'))[1]).toMatch(/tag and species are missing/)
    expect(refused(await list('tag,species,colour\nL-1,Corn snake,red'))[1]).toMatch(/column “colour” is not known/)
    expect(refused(await list('tag,species'))[1]).toMatch(/no animal under the heading/)
    expect(Object.values((await house()).animals).some(a => a.tag.startsWith('L-'))).toBe(false)
  })

  it('takes 5,000 rows; one bad one among them and none is written', async () => {
    const rows = Array.from(
      { length: 5000 },
      (_, i) =>
        `B-${i},Corn snake,${i % 2 ? 'male' : 'female'},${i < 100 ? '2018' : '2023'}-05-01,${i < 100 ? '' : `B-${(i % 50) * 2}`},${i < 100 ? '' : `B-${(i % 50) * 2 + 1}`},yes`,
    )
    const bad = [...rows]
    bad[3210] = 'B-3210,Corn snake,male,2023-05-01,B-1,,yes'
    const before = Object.keys((await house()).animals).length
    expect(refused(await list(`tag,species,sex,born,dam,sire,elsewhere\n${bad.join('\n')}`))).toEqual([
      422,
      'Row 3211: B-1 is a male and cannot be the dam',
    ])
    expect(Object.keys((await house()).animals)).toHaveLength(before)
    expect((await list(`tag,species,sex,born,dam,sire,elsewhere\n${rows.join('\n')}`)).body.added).toBe(5000)
    expect(Object.keys((await house()).animals)).toHaveLength(before + 5000)
  })
})

describe('bad input on sexes, parents and genes', () => {
  it('a probe of 40 scales, a tail longer than the animal, eggs of a male', async () => {
    expect(refused(await write(entry('probed', await about('X-1'), { scales: 40 })))[1]).toMatch(
      /No probe passes over 25 scales/,
    )
    expect(refused(await write(entry('tailMeasured', await about('X-1'), { tailMm: 900, totalMm: 800 })))[1]).toMatch(
      /most of the animal/,
    )
    expect(refused(await write(entry('sexProved', await about('X-1'), { proof: 'eggs', says: 'male' })))[1]).toMatch(
      /speaks for the other sex/,
    )
    expect(refused(await write(entry('laid', await about('X-2'), { tag: 'C-9', eggs: 4 })))[1]).toMatch(/X-2 is a male/)
  })

  it('self-parent, a loop through four generations, chances over 100 %', async () => {
    const state = async (tag: string, dam: string | null, sires: { id: string; chance?: number }[] = []) =>
      write(entry('parentsStated', await about(tag), { damId: dam, sires }))
    expect(refused(await state('X-1', await idOf('X-1')))[1]).toMatch(/cannot be its own parent/)
    const csv = [
      'tag,species,sex,dam',
      'R-1,Corn snake,female,',
      'R-2,Corn snake,female,R-1',
      'R-3,Corn snake,female,R-2',
      'R-4,Corn snake,female,R-3',
    ].join('\n')
    expect((await list(csv)).status).toBe(200)
    expect(refused(await state('R-1', await idOf('R-4')))).toEqual([
      422,
      'R-1 would be its own ancestor: R-1 from R-4 from R-3 from R-2 from R-1',
    ])
    expect(
      refused(
        await state('X-1', null, [
          { id: await idOf('S-1'), chance: 0.7 },
          { id: await idOf('S-2'), chance: 0.6 },
        ]),
      )[1],
    ).toMatch(/over 100 %/)
    expect(
      (
        await state('X-1', await idOf('D-1'), [
          { id: await idOf('S-1'), chance: 0.5 },
          { id: await idOf('S-2'), chance: 0.5 },
        ])
      ).status,
    ).toBe(200)
  })

  it('an allele the locus does not have, percentages over 100, a name twice', async () => {
    const id = v7()
    const ash = { name: 'Ash', speciesId: 'corn-snake', alleles: [{ sign: 'a', mode: 'recessive', look: 'ash' }] }
    expect((await write(entry('locusNamed', { type: 'locus', id }, ash, undefined, id))).status).toBe(200)
    const twin = v7()
    expect(
      refused(
        await write(entry('locusNamed', { type: 'locus', id: twin }, { ...ash, name: 'ASH' }, undefined, twin)),
      )[1],
    ).toMatch(/called ASH already/)
    const gene = async (data: object) => write(entry('geneStated', await about('X-1'), { locusId: id, ...data }))
    expect(refused(await gene({ alleles: ['+', 'z'] }))[1]).toMatch(/Ash has no allele “z”; it has \+, a/)
    expect(refused(await gene({ alleles: ['+', 'a'], chance: 66 }))[1]).toMatch(/between 0 and 100 %/)
    expect(refused(await gene({ alleles: ['a'] }))[1]).toMatch(/not sex-linked/)
    expect((await gene({ alleles: ['+', 'a'], chance: 0.66 })).status).toBe(200)
    expect(refused(await write(entry('lookSeen', await about('X-1'), { locusId: id, look: 'blue' })))[1]).toMatch(
      /cannot make the look “blue”/,
    )
    expect(
      refused(await write(entry('geneStated', await about('X-1'), { locusId: 'none', alleles: ['+', 'a'] })))[1],
    ).toMatch(/no such locus/)
  })
})

describe('the bench and the rota over the API', () => {
  it('judges every female with every male, one cell with its working, and says who is kin', async () => {
    for (const tag of ['X-1', 'X-2', 'X-3']) await write(entry('weighed', await about(tag), { massG: 480 }))
    const { body } = await call<BenchSnapshot>('/api/bench?speciesId=corn-snake')
    expect(body.bench!.dams.map(d => d.tag)).toContain('X-1')
    expect(body.bench!.sires.map(s => s.tag)).toEqual(['X-2'])
    const cell = await call<CellSnapshot>(`/api/bench/cell?damId=${await idOf('X-1')}&sireId=${await idOf('X-2')}`)
    // D-1 is the dam of both; S-2 may be the sire of X-1 by half: 1/8 + 1/16
    expect(cell.body.pair.value).toMatchObject({ level: 'no', youngF: 0.1875 })
    expect(cell.body.room.value.text).toMatch(/No place is left/)
    expect((await call('/api/bench?speciesId=dragon')).status).toBe(404)
    expect((await call(`/api/bench/cell?damId=${await idOf('X-1')}&sireId=none`)).status).toBe(404)
    expect((await call('/api/bench?speciesId=corn-snake&wish=%7B')).status).toBe(422)
  })

  it('from setting the pair over introduction, lock and shed to the lay window, and nobody in two places', async () => {
    const [dam, other, sire] = [await idOf('X-3'), await idOf('R-1'), await idOf('X-2')]
    const [pair, second] = [v7(), v7()]
    const at = (day: string) => `${day}T09:00:00Z`
    expect(
      (
        await write(
          entry(
            'paired',
            { type: 'pairing', id: pair },
            { tag: 'P-1', damId: dam, sireId: sire },
            at('2026-10-01'),
            pair,
          ),
          entry(
            'paired',
            { type: 'pairing', id: second },
            { tag: 'P-2', damId: other, sireId: sire },
            at('2026-10-01'),
            second,
          ),
        )
      ).status,
    ).toBe(200)
    const subject = { type: 'pairing', id: pair }
    expect(refused(await write(entry('separated', subject, {}, at('2026-10-02'))))[1]).toMatch(/not together/)
    expect((await write(entry('introduced', subject, {}, at('2026-10-05')))).status).toBe(200)
    expect(refused(await write(entry('introduced', { type: 'pairing', id: second }, {}, at('2026-10-06'))))[1]).toMatch(
      /X-2 is together in P-1; record separating first/,
    )
    const running = (await call<SeasonSnapshot>('/api/season')).body.season
    expect(running.tasks.find(t => t.id === `visit:${pair}`)!.what).toMatch(/Take X-2 out/)
    expect(
      (
        await write(
          entry('copulation', subject, { confirmed: true }, at('2026-10-06')),
          entry('separated', subject, {}, at('2026-10-07')),
          entry('preLayShed', subject, {}, at('2026-11-18')),
        )
      ).status,
    ).toBe(200)
    const { season } = (await call<SeasonSnapshot>('/api/season')).body
    const due = season.breeding.due.find(d => d.pairingId === pair)!
    // pre-lay shed to laying 7–16 days (common practice, no source)
    expect(due.next!.event).toBe('laying')
    expect(due.next!.when.low).toBeGreaterThanOrEqual(season.today)
    expect(due.next!.when.high).toBeLessThanOrEqual(season.today - 7 + 17)
    expect(season.breeding.rota.filter(v => v.pairingId === pair)).toEqual([])
  })
})
