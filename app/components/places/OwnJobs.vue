<script setup lang="ts">
import { tellRhythm } from '#core/jobs'
import { dayToIso, formatDay } from '#core/units'

/** What the house does on its own account: jobs that no species asks for. */
const props = defineProps<{ placeId?: string }>()
const house = useHouse()
const { record, busy } = useRecord()
const open = ref(false)
const form = useTemplateRef<FormErrors>('form')
const state = reactive({
  name: '',
  everyDays: 365,
  toleranceDays: 14,
  from: '',
  placeId: undefined as string | undefined,
})

const jobs = computed(() =>
  Object.values(house.house.jobs).filter(j => !j.ended && (!props.placeId || j.placeIds.includes(props.placeId))),
)
const places = usePlaceItems()
watch(open, is => {
  if (is)
    Object.assign(state, {
      name: '',
      everyDays: 365,
      toleranceDays: 14,
      from: dayToIso(house.today),
      placeId: props.placeId,
    })
})
async function add(): Promise<void> {
  const { placeId, ...data } = state
  const done = await record(
    { kind: 'jobAdded', founds: 'job', data: { ...data, name: data.name.trim(), placeIds: placeId ? [placeId] : [] } },
    `${state.name.trim()}: added to the Round`,
    form.value,
  )
  if (done) open.value = false
}
const end = (id: string, name: string) =>
  record({ kind: 'jobEnded', subject: { type: 'job', id }, data: {} }, `${name}: no longer in the Round`)
const where = (ids: readonly string[]) => (ids.length ? ids.map(id => house.placeName(id)).join(', ') : 'the house')
</script>

<!-- prettier-ignore -->
<template>
  <section class="mt-8 max-w-3xl">
    <div class="flex flex-wrap items-baseline justify-between gap-2">
      <h2>Own jobs</h2>
      <UPopover v-model:open="open" :content="{ align: 'end' }">
        <UButton label="Add a job" variant="outline" color="neutral" icon="i-lucide-repeat" />
        <template #content>
          <UForm ref="form" :state="state" class="grid gap-3 p-4 w-80" @submit="add">
            <UFormField label="What" name="name" required><UInput
              v-model="state.name" class="w-full" placeholder="Rebuild the big cage" maxlength="60"
            /></UFormField>
            <UFormField label="Where" name="placeIds"><USelectMenu
              v-model="state.placeId" :items="places" value-key="value" class="w-full" placeholder="The house as a whole"
            /></UFormField>
            <div class="grid grid-cols-2 gap-3">
              <UFormField label="Every, days" name="everyDays"><UInputNumber
                v-model="state.everyDays" :min="1" :max="2000" class="w-full"
              /></UFormField>
              <UFormField label="Late after, days" name="toleranceDays"><UInputNumber
                v-model="state.toleranceDays" :min="0" :max="400" class="w-full"
              /></UFormField>
            </div>
            <UFormField label="First due" name="from"><UInput v-model="state.from" type="date" class="w-full" /></UFormField>
            <UButton type="submit" label="Add job" :disabled="!state.name.trim() || !state.from" :loading="busy" block />
          </UForm>
        </template>
      </UPopover>
    </div>
    <p v-if="!jobs.length" class="quiet">None: what the species need comes round by itself.</p>
    <ul v-else>
      <li v-for="j in jobs" :key="j.id" class="job">
        <span>{{ j.name }} <span class="quiet">{{ tellRhythm(j.everyDays) }}, {{ where(j.placeIds) }}; first due {{ formatDay(j.fromDay, house.today) }}</span></span>
        <UButton
          label="End" size="sm" variant="ghost" color="neutral" :aria-label="`End ${j.name}`" :disabled="busy"
          @click="end(j.id, j.name)"
        />
      </li>
    </ul>
  </section>
</template>

<style scoped>
.job {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 1rem;
  border-top: 1px solid var(--ui-border);
  padding: 0.375rem 0;
}
</style>
