import { memory } from '../marks'
import { typeOf } from '../relative'

export const boaOtherMainland = typeOf(
  'boa-other-mainland',
  'Boa, other mainland forms',
  'Boa constrictor',
  'boa-constrictor',
  {
    keptDays: memory(180, 'days', 'about three quarters wean at once, holdouts to six months'),
    survival90: memory(0.95, 'share'),
  },
)
