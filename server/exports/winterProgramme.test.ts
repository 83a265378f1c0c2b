import ICAL from 'ical.js'
import Papa from 'papaparse'
import { describe, expect, it } from 'vitest'
import { shippedAlmanac, speciesOf } from '#core/almanac'
import { hasWinter, programmeOf } from '#core/brumation'
import { dayFromIso } from '#core/units'
import { csvOf } from '#shared/csv'
import { programmeCalendar, programmeCsv } from './winterProgramme'

const species = speciesOf(shippedAlmanac, 'california-kingsnake')
if (!hasWinter(species)) throw new Error('a kingsnake winters')
const programme = programmeOf(species, { almanac: shippedAlmanac, schools: {} }, dayFromIso('2026-12-01'))

describe('exports of a programme', () => {
  it('CSV has a setpoint for every hour, read back by a parser', () => {
    const { data, errors } = Papa.parse<{ time: string; setpoint_c: string; light_hours: string }>(
      programmeCsv(programme, 51.5).trim(),
      { header: true },
    )
    expect(errors).toEqual([])
    expect(data[0]).toMatchObject({ time: '2026-11-30T00:00', setpoint_c: '27.00' })
    expect(data).toHaveLength((programme.warmDay - programme.coolDay + 2) * 24 + 1)
    expect(data.find(r => r.time === '2026-12-20T15:00')).toMatchObject({ setpoint_c: '12.00', light_hours: '0.00' })
    // half way down from 27 to 12 °C over five days
    expect(data.find(r => r.time === '2026-12-03T12:00')!.setpoint_c).toBe('19.50')
  })

  it('no cell is a formula, and numbers below zero stay numbers', () => {
    const { data } = Papa.parse<Record<string, string>>(
      csvOf([{ name: '=HYPERLINK("x")', note: '@sum', temp: '-5.00', sign: '-x', plus: '+1' }]).trim(),
      { header: true },
    )
    expect(data).toEqual([{ name: '\'=HYPERLINK("x")', note: "'@sum", temp: '-5.00', sign: "'-x", plus: "'+1" }])
  })

  it('a name with line breaks, from before they were refused, ends no line of the calendar', () => {
    const text = programmeCalendar(
      'w',
      'W-1\r\nEND:VCALENDAR',
      programme,
      'Alder\nBEGIN:VEVENT',
      new Date('2026-11-25T12:00:00Z'),
    )
    const calendar = new ICAL.Component(ICAL.parse(text))
    expect(calendar.getAllSubcomponents('vevent')).toHaveLength(6)
    expect(text.split('\r\n').filter(l => l === 'END:VCALENDAR' || l === 'BEGIN:VEVENT')).toHaveLength(7)
    expect(new ICAL.Event(calendar.getFirstSubcomponent('vevent')!).summary).toBe('W-1 END:VCALENDAR: Last meal')
  })

  it('the calendar is read by an independent reader (ical.js): whole days, in order, each once', () => {
    const text = programmeCalendar(
      'w',
      'W-1 California kingsnake',
      programme,
      'Alder Yard',
      new Date('2026-11-25T12:00:00Z'),
    )
    const events = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent').map(c => new ICAL.Event(c))
    expect(events.map(e => [e.startDate.toString(), e.summary.replace('W-1 California kingsnake: ', '')])).toEqual([
      ['2026-11-19', 'Last meal'],
      ['2026-12-01', 'Begin to cool down'],
      ['2026-12-06', 'Hold at 12 °C'],
      ['2027-02-16', 'Warm up; separate those that share a tub'],
      ['2027-02-19', 'Full warmth, 27 °C'],
      ['2027-02-21', 'First meal, smaller than usual'],
    ])
    expect(events.every(e => e.startDate.isDate && e.endDate.toString() > e.startDate.toString())).toBe(true)
    expect(new Set(events.map(e => e.uid)).size).toBe(events.length)
  })
})
