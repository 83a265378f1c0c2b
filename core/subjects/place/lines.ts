import { CHANNELS, ZONES, type Channel, type Zone } from '../../channels'
import { of, rule, type LineRule } from '../../log'
import { convert, parseNumber } from '../../units'

const NUMBER = '([-−]?\\d+(?:[.,]\\d+)?)'
/** Zones as they are said; a place with one thermometer needs none. */
const SAID: Readonly<Record<string, Zone>> = {
  'air': 'air',
  'warm': 'warm',
  'warm end': 'warm',
  'hot': 'warm',
  'cool': 'cool',
  'cool end': 'cool',
  'cold': 'cool',
  'cold end': 'cool',
  'spot': 'spot',
  'basking spot': 'spot',
  'basking': 'spot',
  'surface': 'spot',
  'nest': 'nest',
  'water': 'water',
  'box': 'box',
  'egg box': 'box',
}
const ZONE = `(?:(${Object.keys(SAID)
  .sort((a, b) => b.length - a.length)
  .join('|')})(?:\\s+at)?\\s+)?`

function read(channel: Channel, number: (written: string, unit?: string) => number): LineRule[1] {
  return (r, m) => {
    const zone = SAID[(m[1] ?? 'air').toLowerCase()]!
    const value = number(m[2]!, m[3])
    if (Number.isNaN(value)) return `“${m[2]}” is not a number`
    const { unit } = CHANNELS[channel]
    return of(
      r,
      'place',
      'placeRead',
      { channel, zone, value },
      `${ZONES[zone]} read at ${unit ? `${value} ${unit}` : `UV index ${value}`}`,
    )
  }
}

const plain = (written: string): number => parseNumber(written) ?? Number.NaN
const celsius = (written: string, unit = 'C'): number => {
  const value = plain(written)
  return unit.toUpperCase() === 'F' ? Number(convert(value, '°F', '°C').toFixed(2)) : value
}

export const placeLines: LineRule[] = [
  rule(`${ZONE}${NUMBER}\\s*°?\\s*([CF])`, read('temperature', celsius)),
  rule(`${ZONE}${NUMBER}\\s*%(?:\\s*(?:rh|humidity))?`, read('humidity', plain)),
  rule(`${ZONE}uv(?:i|\\s+index)?\\s+${NUMBER}`, read('uvIndex', plain)),
]
