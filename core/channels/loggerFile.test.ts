import { toZoned, CalendarDateTime, parseAbsolute } from '@internationalized/date'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { instantsOf } from '../units'
import { guessColumns, readLoggerFile } from '.'

const NOW = Date.parse('2026-11-25T12:00:00Z')
const ZONE = 'Europe/Berlin'
const rows = (text: string, by = ',') => text.split('\n').map(line => line.split(by))
const read = (text: string, by = ',', zone = ZONE) => {
  const table = rows(text, by)
  return readLoggerFile(table, guessColumns(table)!, zone, NOW)
}

describe('the clock of a zone', () => {
  it('is the instant that a general calendar library gives, over both ends of summer time', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: Date.UTC(2026, 2, 27) / 60_000, max: Date.UTC(2026, 10, 3) / 60_000 }),
        fc.constantFrom('Europe/Berlin', 'America/New_York', 'Australia/Lord_Howe', 'Asia/Kolkata', 'UTC'),
        (minute, zone) => {
          const d = new Date(minute * 60_000)
          const clock = new CalendarDateTime(
            d.getUTCFullYear(),
            d.getUTCMonth() + 1,
            d.getUTCDate(),
            d.getUTCHours(),
            d.getUTCMinutes(),
          )
          const wanted = toZoned(clock, zone, 'earlier')
          // an hour that is left out has no instant of its own: it is enough that it is the one beside it
          const exists = wanted.hour === clock.hour && wanted.minute === clock.minute
          if (exists) expect(instantsOf(zone)(minute * 60_000)).toBe(wanted.toDate().getTime())
          else
            expect(Math.abs(instantsOf(zone)(minute * 60_000) - wanted.toDate().getTime())).toBeLessThanOrEqual(
              3_600_000,
            )
        },
      ),
      { numRuns: 400 },
    )
    expect(parseAbsolute('2026-10-25T00:30:00Z', ZONE).hour).toBe(2)
    expect(instantsOf(ZONE)(Date.UTC(2026, 9, 25, 2, 30))).toBe(Date.parse('2026-10-25T00:30:00Z'))
  })
})

describe('a file of a logger', () => {
  it('with semicolons and decimal commas, days before months, in the time of the house', () => {
    const file = read('Nr;Zeit;Temperatur °C;Feuchte %\n1;24.11.2026 08:00;21,4;48\n2;24.11.2026 08:10;21,5;47,5', ';')
    expect(file).toEqual({
      readings: [
        { at: '2026-11-24T07:00:00.000Z', tempC: 21.4, humidityPct: 48 },
        { at: '2026-11-24T07:10:00.000Z', tempC: 21.5, humidityPct: 47.5 },
      ],
      problems: [],
      gaps: 0,
    })
  })

  it('in °F, months before days, with twelve-hour clocks', () => {
    const file = read(
      'Date Time,Temp (°F),RH\n11/24/2026 8:00:00 PM,68,50\n11/24/2026 12:05 AM,212,50',
      ',',
      'America/New_York',
    )
    expect(file.readings).toEqual([{ at: '2026-11-25T01:00:00.000Z', tempC: 20, humidityPct: 50 }])
    expect(file.problems).toEqual([{ line: 3, why: expect.stringMatching(/100 °C is not believable/) as string }])
  })

  it('with instants of their own, gaps and dashes: what misses a value is told, and nothing is invented', () => {
    const file = read(
      'time,t_c\n2026-11-24T08:00:00Z,21.4\n2026-11-24T08:10:00+01:00,--\n2026-11-24 09:00,\n\n2026-11-24 09:10,21',
    )
    const table = rows(
      'time,temp\n2026-11-24T08:00:00Z,21.4\n2026-11-24T08:10:00+01:00,--\n2026-11-24 09:00,\n\n2026-11-24 09:10,21',
    )
    const named = readLoggerFile(table, guessColumns(table)!, ZONE, NOW)
    expect(named.readings.map(r => r.at)).toEqual(['2026-11-24T08:00:00.000Z', '2026-11-24T08:10:00.000Z'])
    expect(named.gaps).toBe(2)
    expect(file.readings.length + file.gaps).toBe(4)
  })

  it('says by line what cannot be: the future, 31 February, words, °F as °C', () => {
    const { problems, readings } = read(
      'time,temp\n2026-11-26 08:00,20\n2026-02-31 08:00,20\nsoon,20\n2026-11-24 08:00,warm\n2026-11-24 08:00,99\n2026-11-24 25:00,20\n2026-11-24 08:10,20\n2026-11-24 08:20,20\n2026-11-24 08:30,20\n2026-11-24 08:40,20\n2026-11-24 08:50,20\n2026-11-24 09:50,20',
    )
    expect(problems.map(p => p.line)).toEqual([2, 3, 4, 5, 6, 7])
    expect(problems[0]!.why).toMatch(/future/)
    expect(problems[4]!.why).toMatch(/another unit/)
    expect(readings).toHaveLength(6)
  })

  it('tells days from months by any line of the file, and keeps days first where none tells', () => {
    expect(guessColumns(rows('time,temp\n03/04/2026 08:00,20\n03/14/2026 08:00,20'))!.dayFirst).toBe(false)
    expect(guessColumns(rows('time,temp\n03/04/2026 08:00,20\n14/04/2026 08:00,20'))!.dayFirst).toBe(true)
    expect(guessColumns(rows('time,temp\n03/04/2026 08:00,20'))!.dayFirst).toBe(true)
    expect(guessColumns(rows('a,b\nx,y'))).toBeNull()
    expect(guessColumns([])).toBeNull()
  })

  it('every line ends up in one of the three, whatever stands in it', () => {
    const cell = fc.oneof(fc.string(), fc.constantFrom('2026-11-24 08:00', '21,5', '-', '', '1e9', '−3', '%'))
    fc.assert(
      fc.property(fc.array(fc.array(cell, { maxLength: 4 }), { maxLength: 30 }), lines => {
        const table = [['time', 'temp', 'rh'], ...lines]
        const columns = { at: 0, temperature: 1, humidity: 2, tempUnit: '°C' as const, dayFirst: true }
        const { readings, problems, gaps } = readLoggerFile(table, columns, ZONE, NOW)
        const empty = lines.filter(l => l.every(c => !c.trim())).length
        expect(readings.length + problems.length + gaps + empty).toBe(lines.length)
        for (const r of readings) expect(Date.parse(r.at)).toBeLessThanOrEqual(NOW)
      }),
    )
  })
})
