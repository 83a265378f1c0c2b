<script setup lang="ts">
import { formatReading } from '#core/channels'
import type { Input } from '#core/judgement'
import { formatDay } from '#core/units'

const house = useHouse()
const { shown, hide } = useWorking()
const open = computed({
  get: () => shown.value !== null,
  set: is => {
    if (!is) hide()
  },
})
const { narrow } = useNarrow()

function whence({ from }: Input): string {
  switch (from.kind) {
    case 'entry':
      return `logbook, ${formatDay(from.day, house.today)}`
    case 'setting':
      return 'setting of the house'
    case 'computed':
      return 'computed'
    case 'almanac': {
      const mark = from.of ? `borrowed from ${from.of}` : MARK_WORDS[from.mark]
      const source = from.source && (house.almanac.sources[from.source] ?? from.source)
      return source ? `almanac, ${mark}: ${source}` : `almanac, ${mark}`
    }
  }
}
const valueOf = ({ value, tempC }: Input) =>
  tempC === undefined ? value : formatReading('temperature', tempC, house.settings.tempUnit)
const noteOf = ({ from }: Input) => (from.kind === 'almanac' && from.note ? ` (${from.note})` : '')
/** Where its number is set, to be set otherwise. */
const placeOf = ({ from }: Input) =>
  from.kind === 'almanac'
    ? almanacPlace(from.path, house.almanac)
    : from.kind === 'setting'
      ? { path: '/settings' }
      : null
</script>

<template>
  <USlideover
    v-model:open="open"
    :side="narrow ? 'bottom' : 'right'"
    title="Working"
    :description="shown?.title"
    :ui="{ content: 'max-h-[85dvh] sm:max-h-none' }"
  >
    <template #body>
      <div v-if="shown" class="working">
        <p class="answer">{{ shown.answer }}</p>
        <section v-for="(reason, i) in shown.reasons" :key="i">
          <h3>
            <span class="n">{{ i + 1 }}</span> {{ reason.rule }}
          </h3>
          <dl v-if="reason.inputs.length">
            <template v-for="(input, j) in reason.inputs" :key="j">
              <dt>{{ input.label }}</dt>
              <dd>
                <b>{{ valueOf(input) }}</b>
                <span class="from"
                  ><NuxtLink v-if="placeOf(input)" :to="placeOf(input)!" class="underline" @click="hide">{{
                    whence(input)
                  }}</NuxtLink
                  ><template v-else>{{ whence(input) }}</template
                  >{{ noteOf(input) }}</span
                >
              </dd>
            </template>
          </dl>
          <p v-if="reason.change" class="change">What would change it: {{ reason.change }}</p>
        </section>
      </div>
    </template>
  </USlideover>
</template>

<style scoped>
.answer {
  font-size: 1.25rem;
  font-weight: 650;
  color: var(--ui-text-highlighted);
  padding-bottom: 0.75rem;
}
section {
  border-top: 1px solid var(--ui-border);
  padding: 0.75rem 0;
}
h3 {
  font-weight: 600;
  color: var(--ui-text-highlighted);
  line-height: 1.35;
}
.n {
  font-family: var(--font-mono);
  color: var(--ui-text-muted);
  margin-right: 0.25rem;
}
dl {
  display: grid;
  grid-template-columns: minmax(7rem, max-content) 1fr;
  gap: 0.25rem 0.875rem;
  margin-top: 0.5rem;
  font-size: 0.9375rem;
}
dt {
  color: var(--ui-text-muted);
}
dd b {
  font-weight: 600;
  color: var(--ui-text-highlighted);
}
.from {
  display: block;
  font-size: 0.8125rem;
  color: var(--ui-text-muted);
}
.change {
  margin-top: 0.5rem;
  font-size: 0.9375rem;
  color: var(--ui-text-muted);
}
</style>
