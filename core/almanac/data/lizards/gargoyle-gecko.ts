import { SALMONELLA } from '../cautions'
import { memory, step } from '../marks'
import { relative } from '../relative'

export const gargoyleGecko = relative(
  'gargoyle-gecko',
  'Gargoyle gecko',
  'Rhacodactylus auriculatus',
  'crested-gecko',
  {
    adultMassG: memory(60, 'g'),
    youngMassG: memory(2.5, 'g'),
    matureDays: memory(550, 'days'),
    ladder: [
      step(0, 2, ['fruitDiet', 1], ['cricket.pinhead', 12]),
      step(60, 2, ['fruitDiet', 2], ['cricket.quarter', 4]),
      step(200, 2, ['fruitDiet', 4], ['cricket.half', 2]),
      step(450, 2, ['fruitDiet', 6], ['cricket.half', 3]),
    ],
    cautions: ['Bites off tails and toes of others: young and males each alone.', SALMONELLA],
  },
)
