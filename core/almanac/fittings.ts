/** What stands in a home. */
export const FITTINGS = ['hide', 'dampHide', 'climbing', 'digging', 'waterArea'] as const
export type Fitting = (typeof FITTINGS)[number]

/** What a home is floored with. */
export const SUBSTRATES = [
  'paper',
  'tile',
  'bare',
  'soil',
  'sand',
  'soilSand',
  'bark',
  'moss',
  'coconut',
  'gravel',
  'carpet',
  'calciumSand',
  'cedar',
] as const
export type Substrate = (typeof SUBSTRATES)[number]
