<script setup lang="ts">
import { feederOf } from '#core/almanac'
import { cultureTempC } from '#core/season/warmth'
import { TROUBLE_WORDS, type CultureState } from '#core/subjects'
import { causeNamed, causesOf } from '#core/supply'
import { formatDistance, upperFirst } from '#core/units'

/** What was found in a culture, and what it may come from: one cause after the other is looked at. */
const props = defineProps<{ culture: CultureState; trouble: CultureState['troubles'][number] }>()
const house = useHouse()
const { record, busy } = useRecord()
const found = computed(() =>
  causesOf(props.culture, props.trouble, {
    feeder: feederOf(house.almanac, props.culture.feederId),
    tempC: cultureTempC(props.culture, house),
    cultures: Object.values(house.house.cultures),
    almanac: house.almanac,
    today: house.today,
  }),
)
const cause = computed(() => props.trouble.cause && causeNamed(props.trouble.what, props.trouble.cause))
const answer = computed(
  () => `${upperFirst(TROUBLE_WORDS[props.trouble.what])}, found ${formatDistance(props.trouble.day, house.today)}`,
)
const follow = (says: 'not' | 'is' | 'over', of?: string, name = 'over') =>
  record(
    {
      kind: 'troubleFollowed',
      subject: { type: 'culture', id: props.culture.id },
      data: { of: props.trouble.entryId, says, ...(of && { cause: of }) },
    },
    `${props.culture.tag}: ${says === 'not' ? `not ${name}` : name}`,
  )
</script>

<template>
  <div class="trouble" :data-trouble="trouble.what">
    <p>
      <WorkingLink :title="`${culture.tag}: ${answer}`" :answer="answer" :reasons="found.reasons" /><template
        v-if="trouble.note"
        >, {{ trouble.note }}</template
      >.
      <template v-if="cause"
        ><b>{{ upperFirst(cause.name) }}.</b> {{ cause.remedy }}</template
      ><template v-else-if="!found.causes.length"
        >None of what is usual: keep it apart, and ask someone who keeps them.</template
      >
      <UButton
        class="ml-2"
        label="It is over"
        variant="outline"
        color="neutral"
        :disabled="busy"
        @click="follow('over', undefined, 'it is over')"
      />
    </p>
    <ol v-if="!cause && found.causes.length" :aria-label="`What it may come from, ${culture.tag}`">
      <li v-for="c in found.causes" :key="c.id">
        <span class="what"
          ><b>{{ upperFirst(c.name) }}</b> <span class="quiet small">{{ Math.round(c.chance * 100) }} of 100</span
          ><br />{{ c.look }}</span
        >
        <span class="buttons">
          <UButton
            :aria-label="`That is it: ${c.name}`"
            label="That is it"
            variant="outline"
            :disabled="busy"
            @click="follow('is', c.id, c.name)"
          />
          <UButton
            :aria-label="`Not that: ${c.name}`"
            label="Not that"
            variant="outline"
            color="neutral"
            :disabled="busy"
            @click="follow('not', c.id, c.name)"
          />
        </span>
      </li>
    </ol>
  </div>
</template>

<style scoped>
.trouble {
  border-left: 3px solid var(--ui-border-accented);
  padding: 0.25rem 0 0.25rem 0.75rem;
  margin: 0.25rem 0 0.75rem;
  max-width: 52rem;
}
ol {
  margin-top: 0.375rem;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem 1rem;
  justify-content: space-between;
  align-items: center;
  padding: 0.375rem 0;
  border-top: 1px solid var(--ui-border);
}
.what {
  flex: 1 1 20rem;
}
.buttons {
  display: flex;
  gap: 0.375rem;
}
</style>
