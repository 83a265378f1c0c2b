import { memory } from '../marks'
import { typeOf } from '../relative'

export const boaRedTailed = typeOf(
  'boa-red-tailed',
  'Boa, mainland red-tailed and colour forms',
  'Boa constrictor',
  'boa-constrictor',
  {
    survival90: memory(0.98, 'share', 'about nine of ten take thawed prey within three meals'),
  },
)
