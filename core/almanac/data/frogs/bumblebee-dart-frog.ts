import { memory, memorySpread } from '../marks'
import { relative } from '../relative'

export const bumblebeeDartFrog = relative(
  'bumblebee-dart-frog',
  'Bumblebee dart frog',
  'Dendrobates leucomelas',
  'dyeing-dart-frog',
  {
    adultMassG: memory(3, 'g'),
    youngMassG: memory(0.25, 'g'),
    clutchSize: memorySpread(3, 6, 10, 'eggs'),
    keptDays: memory(90, 'days'),
  },
)
