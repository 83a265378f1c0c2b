/** A screen whose code cannot be loaded, since the house does not answer, takes nothing away: the one that is open stays. */
export default defineNuxtPlugin(nuxt => {
  nuxt.hook('app:chunkError', () =>
    nuxt.runWithContext(() => {
      useToast().add({
        id: 'chunk',
        title: 'This screen could not be loaded',
        description: 'The house does not answer. What is open stays as it is; try again when Mantel runs.',
        color: 'warning',
        icon: 'i-lucide-unplug',
      })
    }),
  )
})
