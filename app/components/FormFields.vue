<script setup lang="ts">
import type { FieldHint } from '#core/subjects'
import { dayFromIso, dayToIso } from '#core/units'
import { asSeveral, severalOf, type Fields, type Offered, type Typed } from '~/composables/readFields'

/** The fields of a kind of entry, each as its sort is asked for; numbers stand side by side. */
const props = defineProps<{
  fields: Fields
  /** Said beside the fields; a form around them says it by itself. */
  problems?: Readonly<Record<string, string>>
  /** What a field is picked from, by its name, where that is of the screen. */
  items?: Offered
}>()
const typed = defineModel<Typed>({ required: true })
/** What is asked for before them. */
defineSlots<{ default?: () => unknown }>()
const house = useHouse()
const places = usePlaceItems()
const kept = computed(() => house.speciesOffered.map(s => ({ value: s.id, label: s.name })))

const SHORT: readonly FieldHint['as'][] = ['count', 'number', 'temperature', 'mass', 'money', 'share']
const isShort = ({ as }: FieldHint) => SHORT.includes(as)
const hintOf = ({ as, hint }: FieldHint) => {
  const { tempUnit: temperature, massUnit: mass, currency: money } = house.settings
  const units: Partial<Record<FieldHint['as'], string>> = { temperature, mass, money }
  return units[as] ?? hint
}
const choicesOf = ({ choices = {} }: FieldHint) => Object.entries(choices).map(([value, label]) => ({ value, label }))
const isPicked = ({ as }: FieldHint) => as === 'place' || as === 'species' || as === 'one'
const itemsOf = (name: string, field: FieldHint) => {
  const own = props.items?.[name]
  if (own) return [...own]
  return field.as === 'place' ? places.value : field.as === 'species' ? kept.value : choicesOf(field)
}
/** What the screen has nothing of is not asked for. */
const asked = computed(() =>
  Object.fromEntries(
    Object.entries(props.fields).filter(
      ([name, field]) => !['one', 'several'].includes(field.as) || itemsOf(name, field).length,
    ),
  ),
)
const INSTEAD: Partial<Record<FieldHint['as'], string>> = { place: 'Choose a place' }
const emptyAs = ({ as, example }: FieldHint) => example ?? INSTEAD[as] ?? 'Choose'
const say = (name: string, text: string | undefined) => (typed.value = { ...typed.value, [name]: text })
</script>

<template>
  <div class="fields">
    <slot />
    <template v-for="(field, name) in asked" :key="name">
      <RecordDayField
        v-if="field.as === 'day'"
        :name="name"
        :label="field.label"
        :hint="field.hint"
        :error="problems?.[name]"
        :max="field.past ? house.today : undefined"
        :model-value="typed[name] ? dayFromIso(typed[name]) : null"
        :optional="!field.needed"
        :needed="field.needed"
        @update:model-value="day => say(name, day === null ? '' : dayToIso(day))"
      />
      <UFormField v-else-if="field.as === 'flag'" :name="name" :error="problems?.[name]">
        <UCheckbox
          :model-value="Boolean(typed[name])"
          :label="field.label"
          :description="field.help"
          @update:model-value="say(name, $event ? 'yes' : '')"
        />
      </UFormField>
      <UFormField
        v-else
        :name="name"
        :label="field.label"
        :hint="hintOf(field)"
        :help="field.help"
        :required="field.needed"
        :error="problems?.[name]"
        :class="{ short: isShort(field) }"
        eager-validation
      >
        <RecordPick
          v-if="isPicked(field)"
          :model-value="typed[name] || undefined"
          :name="field.label"
          :items="itemsOf(name, field)"
          :unsaid="field.needed ? undefined : (field.example ?? 'Not said')"
          class="w-full"
          :placeholder="emptyAs(field)"
          @update:model-value="say(name, $event ?? '')"
        />
        <RecordPick
          v-else-if="field.as === 'several'"
          :model-value="severalOf(typed[name])"
          :name="field.label"
          :items="itemsOf(name, field)"
          multiple
          class="w-full"
          :placeholder="field.example"
          @update:model-value="say(name, asSeveral($event))"
        />
        <USelect
          v-else-if="field.as === 'choice'"
          :model-value="typed[name]"
          :items="choicesOf(field)"
          value-key="value"
          class="w-full"
          @update:model-value="say(name, $event as string)"
        />
        <UTextarea
          v-else-if="field.as === 'lines'"
          :model-value="typed[name] ?? ''"
          :placeholder="field.example"
          :rows="2"
          class="w-full"
          :maxlength="500"
          @update:model-value="say(name, String($event))"
        />
        <UInput
          v-else
          :model-value="typed[name] ?? ''"
          :inputmode="
            field.as === 'text' || field.as === 'size' ? 'text' : field.as === 'count' ? 'numeric' : 'decimal'
          "
          :placeholder="field.example"
          autocomplete="off"
          class="w-full"
          :maxlength="500"
          @update:model-value="say(name, String($event))"
        />
      </UFormField>
    </template>
  </div>
</template>

<style scoped>
.fields {
  display: flex;
  flex-wrap: wrap;
  gap: 0.75rem;
  /* a label of two lines moves no number out of its row; what is wrong below one would */
  align-items: end;
}
.fields:has([aria-invalid='true']) {
  align-items: start;
}
.fields > :deep(*) {
  flex: 1 1 100%;
  min-width: 0;
}
.fields > :deep(.short) {
  flex: 1 1 6.5rem;
}
</style>
