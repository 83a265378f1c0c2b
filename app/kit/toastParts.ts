export { onKeyStroke } from '@vueuse/core'

/**
 * What counts down how long a toast still stands. The kit draws every toast anew with each frame for it, which takes a
 * third of a core as long as one is to be seen; the bar of `toast-lasts` in the style sheet says the same for nothing.
 */
export const useRafFn = () => ({ pause: () => undefined, resume: () => undefined })
