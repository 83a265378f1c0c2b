import { animal } from './animal'
import { clutch } from './clutch'
import { culture } from './culture'
import { feeder } from './feeder'
import { group } from './group'
import { job } from './job'
import { lamp } from './lamp'
import { locus } from './locus'
import { material } from './material'
import { number } from './number'
import { pairing } from './pairing'
import { place } from './place'
import { settings } from './settings'
import { species } from './species'
import { stock } from './stock'
import { supplier } from './supplier'
import { winter } from './winter'

/** Every sort of subject, in the order in which they are folded: what stands on others comes after them. */
export const subjects = [
  settings,
  number,
  feeder,
  species,
  place,
  job,
  group,
  animal,
  pairing,
  clutch,
  culture,
  lamp,
  winter,
  locus,
  supplier,
  material,
  stock,
]
