/** Hard shells block the gut of dart frogs of any size (common practice, no source); crickets bite small frogs. */
const SOFT_ONLY = [
  'cricket.half',
  'cricket.adult',
  'roach.adult',
  'roach.nymph',
  'redRunner',
  'mealworm',
  'superworm',
  'locust.small',
  'locust.large',
  'hornworm',
] as const
/** Too small to be worth the hunt, and left to gnaw at a sleeper at night. */
const TOO_SMALL_FOR_DRAGONS = ['cricket.pinhead', 'fly.small', 'fly.large', 'springtail'] as const

const OF: Record<string, readonly string[]> = {
  'dyeing-dart-frog': SOFT_ONLY,
  'green-and-black-dart-frog': SOFT_ONLY,
  'bumblebee-dart-frog': SOFT_ONLY,
  'golden-mantella': SOFT_ONLY,
  'spiny-tailed-lizard': TOO_SMALL_FOR_DRAGONS,
}

/** Feeders that a species is not given; undefined where nothing is known to be unfit. */
export const neverOf = (id: string): readonly string[] | undefined => OF[id]
