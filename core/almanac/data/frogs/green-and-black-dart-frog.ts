import { memory, memorySpread } from '../marks'
import { relative } from '../relative'

export const greenAndBlackDartFrog = relative(
  'green-and-black-dart-frog',
  'Green-and-black dart frog',
  'Dendrobates auratus',
  'dyeing-dart-frog',
  {
    adultMassG: memory(3, 'g'),
    youngMassG: memory(0.25, 'g'),
    clutchSize: memorySpread(3, 6, 10, 'eggs'),
  },
)
