<script setup lang="ts">
import { useEventListener } from '@vueuse/core'

const house = useHouse()
const shell = useShell()
const router = useRouter()

defineShortcuts({
  '/': () => {
    shell.search.value = true
  },
  'l': () => {
    shell.log.value = true
  },
  '?': () => {
    shell.keys.value = !shell.keys.value
  },
  ...Object.fromEntries(
    SCREENS.map(s => [
      `g-${s.key}`,
      () => {
        void router.push(s.to)
      },
    ]),
  ),
})

// another device may have written meanwhile
useEventListener('focus', () => {
  void house.load()
})
useHouseEvents()

const painted = usePainted()
watch(
  () => house.settled,
  async settled => {
    if (!settled || painted.value) return
    await nextPaint()
    painted.value = true
  },
  { immediate: true },
)

/** The name of the screen in the tab, and the focus at its heading after a jump, so that it is read out. */
const nuxt = useNuxtApp()
const route = useRoute()
const title = computed(() => {
  const { id } = route.params
  const animal = typeof id === 'string' && house.snapshot ? house.house.animals[id] : undefined
  if (animal && route.path.startsWith('/pedigree')) return `Pedigree of ${animal.tag}`
  if (animal && route.path.startsWith('/handover')) return `Hand-over of ${animal.tag}`
  if (animal) return animal.tag
  if (typeof id === 'string' && house.snapshot) {
    const { clutches, groups, places } = house.house
    const named = clutches[id]?.tag ?? groups[id]?.tag ?? places[id]?.name
    if (named) return named
  }
  const further: Record<string, string> = {
    '/begin': 'First steps',
    '/helper': 'Card for a helper',
    '/culture-day': 'Culture day',
    '/labels': 'Labels',
    '/they-are-here': 'They are here',
  }
  return SCREENS.find(s => s.to === route.path)?.label ?? further[route.path]
})
useHead({
  title: () => [title.value, house.snapshot?.settings.houseName, 'Mantel'].filter(Boolean).join(' · '),
})
watch(
  () => route.path,
  () => {
    nuxt.hooks.hookOnce('page:finish', () => {
      const heading = document.querySelector<HTMLElement>('main h1')
      if (!heading || route.hash) return
      // who is quick has something open on the new screen already: it would close under their hands
      if (document.activeElement?.closest('main, [role="dialog"], [data-reka-popper-content-wrapper]')) return
      heading.tabIndex = -1
      heading.focus({ preventScroll: true })
    })
  },
)

/** What is opened over a screen is there from its first use on. */
const once = reactive({ search: false, keys: false, working: false, question: false })
const { shown: working } = useWorking()
const { shown: question } = useQuestion()
watchEffect(() => {
  once.search ||= shell.search.value
  once.keys ||= shell.keys.value
  once.working ||= working.value !== null
  once.question ||= question.value !== null
})

const { sendLeft } = useRecord()
onNuxtReady(() => {
  void sendLeft()
})
</script>

<template>
  <div class="shell" :data-settled="house.settled && painted">
    <a class="skip" href="#main">Skip to the screen</a>
    <ShellRail />
    <main id="main" tabindex="-1">
      <ShellStale />
      <div v-if="!house.snapshot && house.failure" class="screen" role="alert">
        <h1>The house does not answer</h1>
        <p class="mt-2">{{ house.failure }}</p>
        <UButton class="mt-4" label="Try again" icon="i-lucide-refresh-cw" @click="house.load()" />
      </div>
      <slot v-else-if="house.snapshot" />
    </main>
    <ShellLogBar />
    <ShellBottomBar />
    <LazyShellSearch v-if="once.search" />
    <LazyShellKeys v-if="once.keys" />
    <LazyWorkingSheet v-if="once.working" />
    <LazyRecordQuestion v-if="once.question" />
    <LazyShellEnter v-if="house.locked" />
  </div>
</template>

<style scoped>
.shell {
  display: grid;
  grid-template-columns: 11.5rem minmax(0, 1fr);
  min-height: 100dvh;
}
main {
  min-width: 0;
  outline: none;
}
.skip {
  position: absolute;
  left: -99rem;
}
.skip:focus {
  left: 1rem;
  top: 1rem;
  z-index: 50;
  background: var(--ui-bg);
  padding: 0.5rem 1rem;
}
@media (max-width: 800px) {
  .shell {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
