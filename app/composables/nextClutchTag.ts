import type { House } from '#core/subjects'

/** The next free tag of a clutch, litter or spawn: C-5 after C-4. */
export function nextClutchTag(house: House, prefix = 'C'): string {
  const highest = Math.max(
    0,
    ...Object.values(house.clutches).map(c =>
      c.tag.startsWith(`${prefix}-`) ? Number(c.tag.slice(prefix.length + 1)) || 0 : 0,
    ),
  )
  return `${prefix}-${highest + 1}`
}
