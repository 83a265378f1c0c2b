<script setup lang="ts">
import { feederOf } from '#core/almanac'
import type { Portion } from '#core/feeding'
import { POWDERS, POWDER_WORDS, type AnimalState, type Powder } from '#core/subjects'

/** One offer of several prey: how many of each, and what was taken of it. Written as one meal. */
const props = defineProps<{
  animal: AnimalState
  /** What is planned; the rows begin with it. */
  portions: readonly Portion[]
  dusted?: Powder
  /** Its insects are dusted. */
  powders: boolean
  day: number | null
}>()
const house = useHouse()
const { record, busy } = useRecord()
const preyItems = usePreyItems()
interface Row {
  prey: string
  offered: number
  taken: number
}
const rows = ref<Row[]>([])
const powder = ref<string>()
const problem = ref('')
const beside: FormErrors = {
  setErrors: list => {
    problem.value = list.map(e => e.message).join('; ')
  },
}
function begin(): void {
  rows.value = props.portions.map(({ prey, count }) => ({ prey, offered: count, taken: count }))
  powder.value = props.dusted
  problem.value = ''
}
watch(() => [props.animal.id, JSON.stringify(props.portions), props.dusted], begin, { immediate: true })
const left = computed(() => preyItems.value.filter(i => !rows.value.some(r => r.prey === i.value)))
const add = () => rows.value.push({ prey: left.value[0]!.value, offered: 1, taken: 1 })
/** What was taken follows what was offered, as long as all of it was. */
function offer(row: Row, offered: number | null): void {
  const all = row.taken === row.offered
  row.offered = offered ?? 1
  row.taken = all ? row.offered : Math.min(row.taken, row.offered)
}
const dustItems = POWDERS.map(value => ({ value, label: POWDER_WORDS[value] }))
const name = (prey: string) => feederOf(house.almanac, prey).name
async function write(): Promise<void> {
  problem.value = ''
  if (props.day === null || !rows.value.length) return
  const took = rows.value.filter(r => r.taken > 0).length
  const wishes = rows.value.map(row => ({
    kind: 'fed',
    subject: { type: 'animal' as const, id: props.animal.id },
    data: { ...row, ...(powder.value && { dusted: powder.value }) },
    day: props.day!,
  }))
  await record(
    wishes,
    `${props.animal.tag}: a meal of ${rows.value.length}, ${took === rows.value.length ? 'of all taken' : `of ${took} taken`}`,
    beside,
  )
}
</script>

<template>
  <Fold class="several" summary="Several prey at once">
    <form class="menu" @submit.prevent="write">
      <div v-for="(row, i) in rows" :key="i" class="row" :data-menu-row="row.prey">
        <USelectMenu
          v-model="row.prey"
          :items="[{ value: row.prey, label: name(row.prey) }, ...left]"
          value-key="value"
          class="w-full sm:w-44"
          :aria-label="`Prey ${i + 1}: ${name(row.prey)}`"
        />
        <UInputNumber
          :model-value="row.offered"
          :min="1"
          :max="500"
          class="w-28"
          :aria-label="`${name(row.prey)}, offered`"
          @update:model-value="offer(row, $event)"
        />
        <span class="quiet small">took</span>
        <UInputNumber
          v-model="row.taken"
          :min="0"
          :max="row.offered"
          class="w-28"
          :aria-label="`${name(row.prey)}, taken`"
        />
        <UButton
          icon="i-lucide-x"
          variant="ghost"
          color="neutral"
          :aria-label="`Without ${name(row.prey)}`"
          @click="rows.splice(i, 1)"
        />
      </div>
      <div class="row">
        <UButton label="Add prey" icon="i-lucide-plus" variant="outline" color="neutral" @click="add" />
        <RecordPick
          v-if="powders"
          v-model="powder"
          :items="dustItems"
          name="All dusted with"
          placeholder="dusted with"
          class="w-44"
        />
        <UButton
          type="submit"
          label="Write meal"
          variant="outline"
          color="neutral"
          :loading="busy"
          :disabled="!rows.length"
        />
      </div>
      <p v-if="problem" role="alert" class="small">{{ problem }}</p>
    </form>
  </Fold>
</template>

<style scoped>
.menu {
  display: grid;
  gap: 0.5rem;
  margin-top: 0.5rem;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 0.375rem 0.5rem;
  align-items: center;
}
</style>
