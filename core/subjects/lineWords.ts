import { say, type House, type Read, type Reading } from '../log'
import { parseQuantity, toBase, UNITS, UnitError, type Unit } from '../units'

/**
 * A mass as it is written in a line, in g.
 * @throws UnitError for what is none
 */
export function gramsOf(text: string, unit: Unit): number {
  const quantity = parseQuantity(text, unit)
  if (UNITS[quantity.unit].dimension !== 'mass') throw new UnitError(`${quantity.unit} is not a weight.`)
  return Number(toBase(quantity.value, quantity.unit).toFixed(2))
}

/** The one place of a name, or of the name of what it stands in and its own; null when there is none, or are two. */
export function placeCalled({ places }: Pick<House, 'places'>, text: string): string | null {
  const wanted = text.trim().toLowerCase().replace(/,/g, ' ').replace(/\s+/g, ' ')
  const found = Object.values(places).filter(p => {
    const within = p.parentId ? places[p.parentId]?.name : undefined
    return [p.name, ...(within ? [`${within} ${p.name}`] : [])].some(name => name.toLowerCase() === wanted)
  })
  return found.length === 1 ? found[0]!.id : null
}

/** What is moved to a place, by its name. */
export function movedTo(r: Reading, kind: string, called: string): Read {
  const placeId = placeCalled(r.house, called)
  return placeId
    ? say(r, kind, { placeId }, `: moved to ${r.house.places[placeId]!.name}`)
    : `No one place is called “${called}”. Write its name, with that of what it stands in where two are called so.`
}
