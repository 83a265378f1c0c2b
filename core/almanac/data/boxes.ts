import type { Box } from '../schema'
import { memory, practice } from './marks'

const part = (what: string, amount: Box['parts'][number]['amount']) => ({ what, amount })

const HOW_GUT_LOAD =
  'At least a day of good food before they are fed out. Water by crystals or carrot only: in a dish they drown. Dead ones out daily.'

/** A box in which they eat before they are eaten; what it takes goes by how many it holds. */
const gutLoad = (holds: number, of: { cartons: number; dryMl: number; freshG: number }, how = HOW_GUT_LOAD): Box => ({
  holds: memory(holds, 'each'),
  parts: [
    part('egg carton', memory(of.cartons, 'each')),
    part('dry gut-load', memory(of.dryMl, 'mL')),
    part('carrot or greens', memory(of.freshG, 'g')),
    part('water crystals', memory(50, 'mL')),
  ],
  how,
})

const bran = (holds: number, branMl: number, freshG: number, how: string): Box => ({
  holds: memory(holds, 'each'),
  parts: [part('bran', memory(branMl, 'mL')), part('carrot or greens', practice(freshG, 'g', 'a slice or two'))],
  how,
})

/** How what is bought alive is kept until it is eaten. */
export const boxes: Readonly<Record<string, Box>> = {
  'cricket.pinhead': gutLoad(1000, { cartons: 1, dryMl: 30, freshG: 20 }),
  'cricket.eighth': gutLoad(1000, { cartons: 1, dryMl: 50, freshG: 30 }),
  'cricket.quarter': gutLoad(500, { cartons: 2, dryMl: 80, freshG: 50 }),
  'cricket.half': gutLoad(250, { cartons: 3, dryMl: 120, freshG: 80 }),
  'cricket.adult': gutLoad(100, { cartons: 3, dryMl: 120, freshG: 80 }),
  'roach.small': gutLoad(100, { cartons: 2, dryMl: 80, freshG: 60 }),
  'roach.adult': gutLoad(50, { cartons: 2, dryMl: 80, freshG: 60 }),
  'mealworm': bran(
    500,
    800,
    30,
    'Bran 30 mm deep, changed weekly; the fresh food out before it moulds. Cool they rest.',
  ),
  'mealworm.tiny': bran(1000, 500, 15, 'Bran 20 mm deep, changed weekly; the fresh food out before it moulds.'),
  'superworm': bran(250, 1000, 50, 'Bran 40 mm deep, changed weekly. Crowded they do not pupate; never in the cold.'),
}
