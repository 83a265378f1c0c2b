/** How one cause is called, where one looks for it, and what is done when it is that. */
export interface CauseWords {
  name: string
  look: string
  remedy: string
}

/** Common practice, no source. */
export const CAUSE_WORDS = {
  hot: {
    name: 'too hot',
    look: 'A probe in the bedding or the medium, not in the air beside it.',
    remedy: 'A cooler place; away from lamps and other warm tubs.',
  },
  cold: {
    name: 'too cold',
    look: 'A probe in the bedding, early in the morning.',
    remedy: 'A warmer shelf; give it a generation before judging.',
  },
  wet: {
    name: 'too wet',
    look: 'Press a handful: it barely drips. Drops on the walls?',
    remedy: 'Dry bedding in, less mist, lid open for some hours.',
  },
  dry: {
    name: 'too dry',
    look: 'Does the bedding fall apart in the hand?',
    remedy: 'Mist with unchlorinated water, one side only; leaf on top.',
  },
  rotten: {
    name: 'rotten food',
    look: 'Lift the old food: sour, slimy, black underneath?',
    remedy: 'Out with it and what is round it; feed less, the next when the last is gone.',
  },
  overfed: {
    name: 'fed too much',
    look: 'Is food left of the last time?',
    remedy: 'Out with it and what is round it; feed less, the next when the last is gone.',
  },
  air: {
    name: 'no air',
    look: 'Are holes or cloth of the lid clogged?',
    remedy: 'New cloth or more holes; not stacked tightly.',
  },
  crowded: {
    name: 'crowded',
    look: 'Do they crowd at the surface, or under every piece of bark?',
    remedy: 'Split it, or feed some off.',
  },
  used: {
    name: 'bedding used up',
    look: 'Is the bedding nothing but droppings?',
    remedy: 'New bedding; keep a third of the old for the young in it.',
  },
  few: {
    name: 'too few founders',
    look: 'Were there fewer flies than the recipe says, so that the medium was left to the mould?',
    remedy: 'Out with it; the next one with all its founders, once the medium has cooled.',
  },
  old: {
    name: 'kept too long',
    look: 'How old is it? From four weeks on mites are quicker than the last flies.',
    remedy: 'Out in a closed bag, and freeze it; wipe the shelf.',
  },
  beside: {
    name: 'from a culture beside it',
    look: 'White dust that moves on the cups and tubs beside it?',
    remedy: 'Apart from all others, each on its own paper; hands washed between them.',
  },
  founders: {
    name: 'came with its founders',
    look: 'Had the culture that it was founded from mites?',
    remedy: 'Out; new ones from a clean culture, or buy a starter.',
  },
  food: {
    name: 'came with the food',
    look: 'Do grain, flour or bran move under a lens?',
    remedy: 'Freeze the dry food for two days, keep it closed.',
  },
  dead: {
    name: 'dead ones',
    look: 'Dig through one corner: dead ones in it?',
    remedy: 'Take them out; look why they died.',
  },
  treated: {
    name: 'treated food',
    look: 'Greens or fruit from the shop, not washed or peeled?',
    remedy: 'Fresh food that was not sprayed; give it a week.',
  },
  aged: {
    name: 'the old ones end',
    look: 'Are only grown ones dead, and young ones lively?',
    remedy: 'Nothing: take the dead out.',
  },
  taken: {
    name: 'too many grown ones taken',
    look: 'Count the grown ones in a part of it: are there a few dozen in all?',
    remedy: 'Take none for two months, or add grown ones of both sexes.',
  },
  protein: {
    name: 'no protein',
    look: 'When was something with protein in it last?',
    remedy: 'A little flake or dry cat food weekly, taken out before it moulds.',
  },
  young: {
    name: 'a young colony',
    look: 'Is it younger than it takes to breed?',
    remedy: 'Wait.',
  },
} as const satisfies Record<string, CauseWords>

export type CauseId = keyof typeof CAUSE_WORDS

/** The name of a cause, or what was written where there is none of that id. */
export const causeName = (id: string): string => (Object.hasOwn(CAUSE_WORDS, id) ? CAUSE_WORDS[id as CauseId].name : id)
