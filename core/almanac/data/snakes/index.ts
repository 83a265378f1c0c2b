import { californiaKingsnake } from './california-kingsnake'
import { milkSnake } from './milk-snake'
import { cornSnake } from './corn-snake'
import { rosyBoa } from './rosy-boa'
import { boaConstrictor } from './boa-constrictor'
import { eyelashViper } from './eyelash-viper'
import { blackRatSnake } from './black-rat-snake'
import { texasRatSnake } from './texas-rat-snake'
import { gopherSnake } from './gopher-snake'
import { bullSnake } from './bull-snake'
import { westernHognose } from './western-hognose'
import { commonGarter } from './common-garter'
import { boaOtherMainland } from './boa-other-mainland'
import { boaDwarf } from './boa-dwarf'
import { boaRedTailed } from './boa-red-tailed'
import { kenyanSandBoa } from './kenyan-sand-boa'
import { rainbowBoa } from './rainbow-boa'
import { royalPython } from './royal-python'
import { carpetPython } from './carpet-python'
import { childrensPython } from './childrens-python'
import { greenTreePython } from './green-tree-python'
import { westernDiamondback } from './western-diamondback'

/** Those with a sheet of their own. */
export const snakes = [californiaKingsnake, milkSnake, cornSnake, rosyBoa, boaConstrictor, eyelashViper]

/** Those that borrow from a relative what is not known of them, and types. */
export const moreSnakes = [
  blackRatSnake,
  texasRatSnake,
  gopherSnake,
  bullSnake,
  westernHognose,
  commonGarter,
  boaOtherMainland,
  boaDwarf,
  boaRedTailed,
  kenyanSandBoa,
  rainbowBoa,
  royalPython,
  carpetPython,
  childrensPython,
  greenTreePython,
  westernDiamondback,
]
