/** What a quantity measures; each is kept inside the program in the first unit named for it. */
export type Dimension = 'mass' | 'length' | 'temperature' | 'volume'

interface UnitDefinition {
  dimension: Dimension
  /** Value in the base unit = value × factor + offset. */
  factor: number
  offset?: number
  names: readonly string[]
}

/**
 * Units the trade meets, with their factors to the base units g, mm, °C, L.
 * Source: NIST SP 811 (2008), Appendix B.8: pound 453.592 37 g, ounce 28.349 523 125 g, inch 25.4 mm,
 * US gallon 3.785 411 784 L and its quart, pint, cup, fluid ounce, tablespoon and teaspoon; °C = (°F − 32)/1.8.
 */
export const UNITS = {
  'g': { dimension: 'mass', factor: 1, names: ['g', 'gram', 'grams'] },
  'mg': { dimension: 'mass', factor: 0.001, names: ['mg'] },
  'kg': { dimension: 'mass', factor: 1000, names: ['kg', 'kilo', 'kilos'] },
  'oz': { dimension: 'mass', factor: 28.349523125, names: ['oz', 'ounce', 'ounces'] },
  'lb': { dimension: 'mass', factor: 453.59237, names: ['lb', 'lbs', 'pound', 'pounds'] },
  'mm': { dimension: 'length', factor: 1, names: ['mm'] },
  'cm': { dimension: 'length', factor: 10, names: ['cm'] },
  'm': { dimension: 'length', factor: 1000, names: ['m'] },
  'in': { dimension: 'length', factor: 25.4, names: ['in', 'inch', 'inches', '"', '″'] },
  'ft': { dimension: 'length', factor: 304.8, names: ['ft', 'foot', 'feet'] },
  '°C': { dimension: 'temperature', factor: 1, names: ['°c', 'c', 'degc'] },
  '°F': { dimension: 'temperature', factor: 1 / 1.8, offset: -32 / 1.8, names: ['°f', 'f', 'degf'] },
  'L': { dimension: 'volume', factor: 1, names: ['l', 'litre', 'litres', 'liter', 'liters'] },
  'mL': { dimension: 'volume', factor: 0.001, names: ['ml'] },
  'gal': { dimension: 'volume', factor: 3.785411784, names: ['gal', 'gallon', 'gallons'] },
  'qt': { dimension: 'volume', factor: 0.946352946, names: ['qt', 'quart', 'quarts'] },
  'pt': { dimension: 'volume', factor: 0.473176473, names: ['pt', 'pint', 'pints'] },
  'cup': { dimension: 'volume', factor: 0.2365882365, names: ['cup', 'cups'] },
  'fl oz': {
    dimension: 'volume',
    factor: 0.0295735295625,
    names: ['fl oz', 'floz', 'fl. oz', 'fluid ounce', 'fluid ounces'],
  },
  'tbsp': { dimension: 'volume', factor: 0.01478676478125, names: ['tbsp', 'tablespoon', 'tablespoons'] },
  'tsp': { dimension: 'volume', factor: 0.00492892159375, names: ['tsp', 'teaspoon', 'teaspoons'] },
} as const satisfies Record<string, UnitDefinition>

export type Unit = keyof typeof UNITS
/** In which temperatures are told. */
export type TempUnit = Extract<Unit, '°C' | '°F'>

export class UnitError extends Error {
  override name = 'UnitError'
}

export function dimensionOf(unit: Unit): Dimension {
  return UNITS[unit].dimension
}

/** The value in the base unit of its dimension: g, mm, °C or L. */
export function toBase(value: number, unit: Unit): number {
  const u: UnitDefinition = UNITS[unit]
  return value * u.factor + (u.offset ?? 0)
}

export function fromBase(value: number, unit: Unit): number {
  const u: UnitDefinition = UNITS[unit]
  return (value - (u.offset ?? 0)) / u.factor
}

/**
 * Converts between two units of the same dimension.
 * @throws UnitError when the dimensions differ
 */
export function convert(value: number, from: Unit, to: Unit): number {
  if (UNITS[from].dimension !== UNITS[to].dimension) throw new UnitError(`${from} cannot be turned into ${to}.`)
  return fromBase(toBase(value, from), to)
}

const BY_NAME = new Map<string, Unit>(
  (Object.entries(UNITS) as [Unit, UnitDefinition][]).flatMap(([unit, u]) =>
    u.names.map(name => [name, unit] as const),
  ),
)

/** The unit a keeper wrote, whatever its case; null when it is not one of ours. */
export function unitNamed(text: string): Unit | null {
  return BY_NAME.get(text.trim().toLowerCase().replace(/\.$/, '')) ?? null
}
