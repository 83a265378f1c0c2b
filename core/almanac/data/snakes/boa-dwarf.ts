import { memory, memorySpread, practice, step } from '../marks'
import { typeOf } from '../relative'

export const boaDwarf = typeOf('boa-dwarf', 'Boa, dwarf and island forms', 'Boa constrictor', 'boa-constrictor', {
  adultMassG: memory(2200, 'g'),
  youngMassG: memory(35, 'g'),
  clutchSize: memorySpread(5, 12, 22, 'young'),
  keptDays: practice(270, 'days', 'weaned in six months to a year, sometimes two'),
  survival90: memory(0.9, 'share', 'in some litters a third take nothing unaided at first'),
  ladder: [
    step(0, 8, ['mouse.pinky', 1]),
    step(60, 10, ['mouse.fuzzy', 1]),
    step(200, 12, ['mouse.hopper', 1]),
    step(400, 14, ['mouse.weaned', 1]),
    step(800, 18, ['rat.weaned', 1]),
    step(1400, 21, ['rat.small', 1]),
  ],
})
