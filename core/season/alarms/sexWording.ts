import type { Told } from './told'

/** @param contradiction what does not go together, in words */
export const tellSexDoubted = (tag: string, contradiction: string): Omit<Told, 'reasons'> => ({
  text: `${tag}: ${contradiction}`,
  todo: 'Look again, and check the tag; a swap of two animals is the usual cause.',
})
