import type { Company, Species } from '../schema'
import { memory, practice } from './marks'

const ALONE: Company = { lives: 'alone' }
const group = (more: Partial<Company> = {}): Company => ({
  lives: 'group',
  sizeRatio: memory(2, 'times', 'The heaviest against the lightest: smaller ones starve beside larger'),
  ...more,
})
const ONE_MALE = group({ oneMale: true })

const GROUPS: readonly { who: readonly string[]; company: Company }[] = [
  { who: ['common-garter'], company: group() },
  {
    who: ['mourning-gecko'],
    company: group({
      least: practice(4, 'animals'),
      most: practice(20, 'animals', 'In a fair cage'),
    }),
  },
  {
    who: [
      'western-banded-gecko',
      'central-american-banded-gecko',
      'giant-day-gecko',
      'leaf-tailed-gecko',
      'crested-gecko',
      'collared-lizard',
      'ocellated-lizard',
      'sand-lizard',
      'green-anole',
    ],
    company: ONE_MALE,
  },
  { who: ['false-chameleon'], company: group({ oneMale: true, most: practice(4, 'animals', 'In a large cage') }) },
  { who: ['red-footed-tortoise'], company: group() },
  {
    who: ['golden-mantella', 'fire-bellied-toad', 'whites-tree-frog', 'red-eyed-tree-frog', 'tomato-frog'],
    company: group(),
  },
  { who: ['common-midwife-toad', 'axolotl', 'fire-salamander'], company: group() },
  {
    who: ['dyeing-dart-frog', 'green-and-black-dart-frog', 'bumblebee-dart-frog'],
    company: group({ most: memory(6, 'animals') }),
  },
]

const known = new Map(GROUPS.flatMap(({ who, company }) => who.map(id => [id, company] as const)))

/** With whom one lives outside the cold: what is not named here lives alone, but for tortoises with one male. */
export const companyOf = (id: string, group_: Species['group']): Company =>
  known.get(id) ?? (group_ === 'tortoise' ? ONE_MALE : ALONE)
