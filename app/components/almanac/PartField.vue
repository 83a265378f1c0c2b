<script setup lang="ts">
import type { PartField } from '#core/almanac'

/** One field of a part: a number with its unit, earliest to latest, a choice, a list. */
const props = defineProps<{
  field: PartField
  value: unknown
  label: string
  /** What a choice, and a column of a list, is called. */
  choice: (value: string) => string
  column: (key: string) => string
  /** Whose value may be taken over where none is known. */
  donors?: { value: string; label: string }[]
}>()
const emit = defineEmits<{ set: [value: unknown]; vary: [choice: string]; take: [id: string] }>()

const NUMBERS: Record<string, readonly string[]> = {
  fact: ['value'],
  spread: ['earliest', 'likely', 'latest'],
  measure: ['mean', 'sd'],
}
const SAID: Record<string, string> = { value: '', mean: 'middle', sd: 'spread' }
const tree = computed(() => (props.value ?? {}) as Record<string, unknown>)
const numbers = computed(() => NUMBERS[props.field.is] ?? [])
const step = computed(() => (/share|of the/.test(String(tree.value.unit)) ? 0.05 : 1))
const change = (key: string, value: unknown) => emit('set', { ...tree.value, [key]: value ?? null })

const items = computed(() =>
  'choices' in props.field ? props.field.choices.map(value => ({ value, label: props.choice(value) })) : [],
)
const rows = computed(() => (Array.isArray(props.value) ? (props.value as Record<string, number>[]) : []))
const columns = computed(() => (props.field.is === 'points' ? props.field.columns : []))
const changeRow = (i: number, key: string, value: number | null) =>
  emit(
    'set',
    rows.value.map((r, at) => (at === i ? { ...r, [key]: value } : r)),
  )
const addRow = () => emit('set', [...rows.value, { ...rows.value.at(-1), mark: 'own' }])
const lines = computed(() => (Array.isArray(props.value) ? (props.value as string[]).join('\n') : ''))
const setLines = (text: string) =>
  emit(
    'set',
    text
      .split('\n')
      .map(l => l.trim())
      .filter(Boolean),
  )
</script>

<template>
  <div class="field" role="group" :aria-label="label">
    <span class="name">{{ label }}<span v-if="tree.mark === 'borrowed'" class="quiet small"> · borrowed</span></span>
    <span v-if="field.is === 'absent'" class="values"
      ><span class="quiet">not known</span
      ><RecordPick
        :items="donors ?? []"
        :name="`${label}: take over from`"
        placeholder="Take over from …"
        class="w-56"
        @update:model-value="emit('take', $event)"
    /></span>
    <span v-else-if="numbers.length" class="values">
      <UInputNumber
        v-for="key in numbers"
        :key="key"
        :model-value="tree[key] as number"
        :step="step"
        :step-snapping="false"
        class="w-28"
        :aria-label="`${label}${key === 'value' ? '' : `, ${SAID[key] ?? key}`}`"
        :format-options="{ maximumFractionDigits: 6 }"
        @update:model-value="change(key, $event)"
      /><span class="quiet unit">{{ tree.unit }}</span>
      <UButton
        v-if="field.optional"
        label="Not known"
        size="xs"
        variant="ghost"
        color="neutral"
        :aria-label="`${label}: not known`"
        @click="emit('set', null)"
      />
    </span>
    <USwitch
      v-else-if="field.is === 'switch'"
      :model-value="value === true"
      :aria-label="label"
      @update:model-value="emit('set', $event)"
    />
    <RecordPick
      v-else-if="field.is === 'choice'"
      :model-value="value as string"
      :items="items"
      :name="label"
      class="w-72"
      @update:model-value="emit('set', $event)"
    />
    <RecordPick
      v-else-if="field.is === 'several'"
      :model-value="value as string[]"
      :items="items"
      :name="label"
      multiple
      class="w-72"
      @update:model-value="emit('set', $event)"
    />
    <RecordPick
      v-else-if="field.is === 'variant'"
      :model-value="tree[field.key] as string"
      :items="items"
      :name="label"
      class="w-72"
      @update:model-value="emit('vary', $event)"
    />
    <UInput
      v-else-if="field.is === 'text'"
      :model-value="value as string"
      :aria-label="label"
      class="w-72"
      @update:model-value="emit('set', $event)"
    />
    <UTextarea
      v-else-if="field.is === 'lines'"
      :model-value="lines"
      :rows="4"
      autoresize
      :aria-label="label"
      class="w-full"
      @update:model-value="setLines(String($event))"
    />
    <div v-else-if="field.is === 'points'" class="grid gap-2">
      <span v-for="(r, i) in rows" :key="i" class="values"
        ><template v-for="key in columns" :key="key"
          ><UInputNumber
            :model-value="r[key]"
            :step="key === 'tempC' ? 0.5 : 0.05"
            :step-snapping="false"
            class="w-28"
            :aria-label="`${column(key)}, row ${i + 1}`"
            @update:model-value="changeRow(i, key, $event ?? null)"
          /><span class="quiet">{{ column(key) }}</span></template
        ><UButton
          icon="i-lucide-x"
          size="xs"
          variant="ghost"
          color="neutral"
          :aria-label="`Drop row ${i + 1}`"
          @click="
            emit(
              'set',
              rows.filter((_, at) => at !== i),
            )
          "
      /></span>
      <span
        ><UButton label="Add a row" size="xs" variant="ghost" icon="i-lucide-plus" @click="addRow" /><UButton
          v-if="field.optional"
          label="Not known"
          size="xs"
          variant="ghost"
          color="neutral"
          @click="emit('set', null)"
      /></span>
    </div>
  </div>
</template>

<style scoped>
.field {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem 0.75rem;
  align-items: center;
}
.name {
  flex: 1 1 12rem;
}
.values {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  align-items: center;
}
.unit {
  min-width: 3rem;
}
</style>
