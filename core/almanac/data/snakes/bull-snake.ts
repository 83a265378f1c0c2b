import { memory, memorySpread, step } from '../marks'
import { typeOf } from '../relative'

export const bullSnake = typeOf('bull-snake', 'Bull snake', 'Pituophis catenifer sayi', 'gopher-snake', {
  adultMassG: memory(1300, 'g'),
  youngMassG: memory(35, 'g'),
  clutchSize: memorySpread(5, 10, 18, 'eggs'),
  ladder: [
    step(0, 6, ['mouse.hopper', 1]),
    step(90, 7, ['mouse.weaned', 1]),
    step(200, 8, ['mouse.adult', 1]),
    step(400, 10, ['rat.weaned', 1]),
    step(800, 14, ['rat.small', 1]),
  ],
})
