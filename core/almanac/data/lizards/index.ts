import { fatTailedGecko } from './fat-tailed-gecko'
import { leopardGecko } from './leopard-gecko'
import { mourningGecko } from './mourning-gecko'
import { ocellatedLizard } from './ocellated-lizard'
import { pantherChameleon } from './panther-chameleon'
import { beardedDragon } from './bearded-dragon'
import { westernBandedGecko } from './western-banded-gecko'
import { centralAmericanBandedGecko } from './central-american-banded-gecko'
import { crestedGecko } from './crested-gecko'
import { gargoyleGecko } from './gargoyle-gecko'
import { leafTailedGecko } from './leaf-tailed-gecko'
import { giantDayGecko } from './giant-day-gecko'
import { tokayGecko } from './tokay-gecko'
import { collaredLizard } from './collared-lizard'
import { spinyTailedLizard } from './spiny-tailed-lizard'
import { sandLizard } from './sand-lizard'
import { blueTonguedSkink } from './blue-tongued-skink'
import { greenAnole } from './green-anole'
import { falseChameleon } from './false-chameleon'
import { veiledChameleon } from './veiled-chameleon'
import { carpetChameleon } from './carpet-chameleon'
import { jacksonsChameleon } from './jacksons-chameleon'

/** Those with a sheet of their own. */
export const lizards = [fatTailedGecko, leopardGecko, mourningGecko, ocellatedLizard, pantherChameleon, beardedDragon]

/** Those that borrow from a relative what is not known of them, and types. */
export const moreLizards = [
  westernBandedGecko,
  centralAmericanBandedGecko,
  crestedGecko,
  gargoyleGecko,
  leafTailedGecko,
  giantDayGecko,
  tokayGecko,
  collaredLizard,
  spinyTailedLizard,
  sandLizard,
  blueTonguedSkink,
  greenAnole,
  falseChameleon,
  veiledChameleon,
  carpetChameleon,
  jacksonsChameleon,
]
