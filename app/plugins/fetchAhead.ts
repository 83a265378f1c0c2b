/** Parts that are shown when they are asked for, on any screen. */
const PARTS = [
  () => import('~/components/record/AskPanel.vue'),
  () => import('~/components/record/Question.vue'),
  () => import('~/components/record/DayInput.vue'),
  () => import('~/components/working/Sheet.vue'),
  () => import('~/components/shell/Search.vue'),
  () => import('~/components/shell/Keys.vue'),
  () => import('~/components/shell/More.vue'),
  () => import('~/components/shell/Enter.vue'),
  () => import('~/components/round/FirstMeals.vue'),
  () => import('~/components/FirstSteps.vue'),
  () => import('#shared/delta'),
]

/** Whether the keeper has told the browser to load no more than is asked for; only some browsers say it. */
const savesData = () => (navigator as { connection?: { saveData?: boolean } }).connection?.saveData === true

/**
 * Once the first screen stands, all else is fetched, so that nothing is missing when the house does not answer. Where
 * data are dear it comes when it is asked for, but for what tells that the house did not answer.
 */
export default defineNuxtPlugin(() => {
  onNuxtReady(async () => {
    performance.mark('fetch-ahead')
    try {
      await import('@nuxt/ui/components/Toaster.vue')
      if (savesData()) return
      for (const part of PARTS) await part()
      await useLog().load()
      for (const { to } of SCREENS) await preloadRouteComponents(to)
      for (const to of ['/animals/x', '/groups/x', '/pedigree/x', '/begin']) await preloadRouteComponents(to)
      document.documentElement.dataset.ahead = 'fetched'
    } catch (error) {
      // the house went away: what is missing is asked for when it is needed
      console.info(error)
    }
  })
})
