/** What stands beside a number of the almanac, by where it comes from. */
export const MARK_WORDS = {
  practice: 'common practice',
  published: 'published',
  memory: 'from memory, to be checked',
  borrowed: 'borrowed from a relative',
  own: 'your own number',
} as const
