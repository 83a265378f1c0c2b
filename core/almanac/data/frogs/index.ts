import { goldenMantella } from './golden-mantella'
import { dyeingDartFrog } from './dyeing-dart-frog'
import { fireBelliedToad } from './fire-bellied-toad'
import { greenAndBlackDartFrog } from './green-and-black-dart-frog'
import { bumblebeeDartFrog } from './bumblebee-dart-frog'
import { whitesTreeFrog } from './whites-tree-frog'
import { redEyedTreeFrog } from './red-eyed-tree-frog'
import { ornateHornedFrog } from './ornate-horned-frog'
import { tomatoFrog } from './tomato-frog'
import { midwifeToad } from './midwife-toad'
import { axolotl } from './axolotl'
import { fireSalamander } from './fire-salamander'

/** Those with a sheet of their own. */
export const frogs = [goldenMantella, dyeingDartFrog, fireBelliedToad]

/** Those that borrow from a relative what is not known of them, and types. */
export const moreFrogs = [
  greenAndBlackDartFrog,
  bumblebeeDartFrog,
  whitesTreeFrog,
  redEyedTreeFrog,
  ornateHornedFrog,
  tomatoFrog,
  midwifeToad,
  axolotl,
  fireSalamander,
]
