/**
 * A screen whose code cannot be loaded, since the house does not answer, takes nothing away: the one that is open
 * stays.
 */
export default defineNuxtPlugin(nuxt => {
  nuxt.hook('app:chunkError', () =>
    nuxt.runWithContext(() => {
      useNotLoaded()()
    }),
  )
})
