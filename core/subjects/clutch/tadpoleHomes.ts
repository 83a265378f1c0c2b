/** How tadpoles are kept: one a cup, together with cover, or as they came. */
export const TADPOLE_HOMES = ['cups', 'together', 'crowded'] as const
export type TadpoleHome = (typeof TADPOLE_HOMES)[number]
export const TADPOLE_HOME_WORDS: Readonly<Record<TadpoleHome, string>> = {
  cups: 'singly in cups',
  together: 'together, with plants to hide in',
  crowded: 'together, without cover',
}
