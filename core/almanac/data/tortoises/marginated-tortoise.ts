import { memory, memorySpread } from '../marks'
import { relative } from '../relative'

export const marginatedTortoise = relative(
  'marginated-tortoise',
  'Marginated tortoise',
  'Testudo marginata',
  'hermanns-tortoise',
  {
    matureDays: memory(4000, 'days'),
    adultMassG: memory(3000, 'g'),
    youngMassG: memory(14, 'g'),
    clutchSize: memorySpread(4, 8, 12, 'eggs'),
  },
)
