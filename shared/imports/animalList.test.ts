import { describe, expect, it } from 'vitest'
import { shippedAlmanac } from '#core/almanac'
import { cardOf, foldHouse } from '#core/subjects'
import { HouseBuilder } from '../../tests/fixtures/records'
import { v7 as newId } from 'uuid'
import { readAnimalList, type AnimalList, type ListProblem } from './animalList'

const day = 20_782
const house = foldHouse(
  new HouseBuilder(day)
    .place('t1', { name: 'Tub 1' })
    .animal('D', 'rosy-boa', { sex: 'female', bornDay: day - 3000 })
    .records(),
)
const read = (csv: string) => readAnimalList(csv, house, shippedAlmanac, day, newId)
const problems = (csv: string) => read(csv) as ListProblem[]

describe('reading a list of animals', () => {
  it('orders parents before young, takes dams of the house, places by name, and marks those elsewhere', () => {
    const list = read(
      'tag,species,sex,born,dam,sire,place,elsewhere\r\nY,Rosy boa,,2025-01-01,P,S,Tub 1,\r\nP,rosy-boa,female,2020-01-01,D,,,\r\nS,Lichanura trivirgata,male,2019-01-01,,,,yes\r\n',
    ) as AnimalList
    const cards = list.facts.slice(0, list.added).map(cardOf)
    const order = cards.map(c => c.tag)
    expect(order.indexOf('P')).toBeLessThan(order.indexOf('Y'))
    expect(order.indexOf('S')).toBeLessThan(order.indexOf('Y'))
    const of = (tag: string) => cards.find(c => c.tag === tag)!
    expect(of('P').damId).toBe('D')
    expect(of('Y')).toMatchObject({ damId: of('P').id, sireId: of('S').id, placeId: 't1', sex: 'unknown' })
    expect(list.facts.slice(list.added)).toMatchObject([{ kind: 'keptElsewhere', subject: { id: of('S').id } }])
  })

  it('reads quoted fields and headings in any case (RFC 4180)', () => {
    const list = read('"Tag","SPECIES","Name"\n"Q-1","Rosy boa","Ivy, the ""old"" one"\n') as AnimalList
    expect(list.facts[0]!.data.name).toBe('Ivy, the "old" one')
  })

  it('refuses a tag given twice in the list, a bad date, a place that is not there', () => {
    const said = problems(
      'tag,species,born,place\nA,Rosy boa,,\na,Rosy boa,,\nB,Rosy boa,1.5.2024,\nC,Rosy boa,,Cellar',
    ).map(p => p.message)
    expect(said[0]).toMatch(/Row 2: the tag a is already in use/)
    expect(said[1]).toMatch(/Row 3: A day is written as/)
    expect(said[2]).toMatch(/Row 4: there is no place called “Cellar”/)
  })

  it('lists the first twenty problems and says how many more', () => {
    const said = problems(`tag,species\n${Array.from({ length: 50 }, (_, i) => `T-${i},Dragon`).join('\n')}`)
    expect(said).toHaveLength(21)
    expect(said.at(-1)!.message).toBe('and 30 more')
  })

  it('refuses more than it takes at once', () => {
    expect(
      problems(`tag,species\n${Array.from({ length: 10_001 }, (_, i) => `T-${i},Rosy boa`).join('\n')}`)[0]!.message,
    ).toMatch(/At most 10000 animals at once; this has 10001/)
  })
})
