import { SALMONELLA } from '../cautions'
import { memory, memorySpread } from '../marks'
import { relative } from '../relative'

export const texasRatSnake = relative(
  'texas-rat-snake',
  'Texas rat snake',
  'Pantherophis obsoletus lindheimeri',
  'black-rat-snake',
  {
    adultMassG: memory(800, 'g'),
    clutchSize: memorySpread(8, 13, 20, 'eggs'),
    cautions: ['Ready to bite when put out; long sleeves, a hook, and no haste.', SALMONELLA],
  },
)
