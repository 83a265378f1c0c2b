<script setup lang="ts">
const house = useHouse()
const shell = useShell()
const { record, busy } = useRecord()
const line = ref('')
const field = useTemplateRef<{ inputRef: HTMLInputElement | null }>('field')

const { log, load } = useLog()
const understood = computed(() =>
  house.snapshot && log.value
    ? log.value.readLogLine(line.value, house.house, house.almanac, house.settings.massUnit, nextClutchTag(house.house))
    : null,
)

/** What is understood, cut where each part of the line became something of its own. */
const pieces = computed(() => {
  if (!understood.value?.ok) return []
  const cut: { text: string; words?: string }[] = []
  let rest = understood.value.says
  for (const part of understood.value.read) {
    const at = rest.indexOf(part.says)
    if (at < 0) continue
    cut.push({ text: rest.slice(0, at) }, { text: part.says, words: part.words })
    rest = rest.slice(at + part.says.length)
  }
  return [...cut, { text: rest }]
})

watch(shell.log, async open => {
  if (!open) return
  void load()
  await nextTick()
  field.value?.inputRef?.focus()
})

async function send(): Promise<void> {
  const meant = understood.value
  if (!meant?.ok) return
  const day = house.today - meant.daysAgo
  const done = await record(
    [{ kind: meant.kind, subject: meant.subject, data: meant.data }, ...meant.more].map(fact => ({ ...fact, day })),
    meant.says,
  )
  if (done) line.value = ''
}

function leave(): void {
  shell.log.value = false
  field.value?.inputRef?.blur()
}
</script>

<template>
  <form class="log" :class="{ open: shell.log.value }" aria-label="Log line" @submit.prevent="send">
    <p v-if="understood" class="says" :class="{ asks: !understood.ok }" role="status">
      <template v-if="understood.ok">
        <UIcon name="i-lucide-check" class="size-4 align-[-2px]" />
        <template v-for="(piece, i) in pieces" :key="i"
          ><u v-if="piece.words" :title="`“${piece.words}”`">{{ piece.text }}</u
          ><template v-else>{{ piece.text }}</template></template
        >
      </template>
      <template v-else>{{ understood.ask }}</template>
    </p>
    <div class="line">
      <UInput
        ref="field"
        v-model="line"
        class="grow"
        icon="i-lucide-pencil-line"
        placeholder="T-14 312 g · T-14 took 2 hopper · T-14 shed"
        aria-label="Write what happened"
        autocomplete="off"
        autocapitalize="off"
        spellcheck="false"
        size="lg"
        @focus="shell.log.value = true"
        @keydown.esc="leave"
      >
        <template #trailing><kbd class="key">L</kbd></template>
      </UInput>
      <UButton type="submit" label="Write" size="lg" :loading="busy" :disabled="!understood?.ok" />
      <UButton
        class="sm:hidden"
        type="button"
        icon="i-lucide-x"
        aria-label="Close the log line"
        variant="ghost"
        color="neutral"
        size="lg"
        @click="leave"
      />
    </div>
  </form>
</template>

<style scoped>
/* as the kit draws a key, which would be a part of the first load for this one */
.key {
  display: inline-flex;
  align-items: center;
  justify-content: center;
  min-width: 1.25rem;
  height: 1.25rem;
  padding: 0 0.25rem;
  border-radius: 0.25rem;
  font: 500 0.6875rem/1 var(--font-sans);
  box-shadow: inset 0 0 0 1px var(--ui-border-accented);
  color: var(--ui-text);
  background: var(--ui-bg);
}
@media (max-width: 640px) {
  .key {
    display: none;
  }
}
.log {
  position: fixed;
  z-index: 15;
  inset: auto 0 0 11.5rem;
  padding: 0.5rem 1.5rem;
  background: var(--ui-bg-muted);
  border-top: 1px solid var(--ui-border);
}
.line {
  display: flex;
  gap: 0.5rem;
  max-width: 60rem;
}
.says {
  font-size: 0.9375rem;
  padding-bottom: 0.375rem;
  color: var(--ui-text-highlighted);
}
.says u {
  text-decoration-color: var(--ui-primary);
  text-decoration-thickness: 2px;
  text-underline-offset: 4px;
}
.asks {
  color: var(--ui-text-muted);
}
@media (max-width: 800px) {
  .log {
    display: none;
    inset: auto 0 calc(3.5rem + env(safe-area-inset-bottom));
    padding: 0.5rem 0.75rem;
    z-index: 21;
  }
  .log.open {
    display: block;
  }
}
</style>
