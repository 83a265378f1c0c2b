<script setup lang="ts">
import { nearestSpecies, type ShortForm } from '#core/almanac'

/** A species of the house's own, or a type, from its nearest relative; a feeder likewise. */
const props = defineProps<{ like: string; of: 'species' | 'feeder' }>()
const open = defineModel<boolean>('open', { required: true })
const emit = defineEmits<{ added: [id: string] }>()
const house = useHouse()
const { record, busy } = useRecord()
const blank = () => ({ name: '', latin: '', one: '', many: '', as: 'relative' })
const state = reactive({ ...blank(), from: props.like })
const form = useTemplateRef<FormErrors>('form')
const refusals = useRefusals(state, form)
/** What is known where no relative is: the nearest of its group is proposed. */
const known = reactive({ group: 'snake', mode: 'egg', eats: 'rodents', winter: 'brumation', adultG: 300 } as ShortForm)
const asking = ref(false)
watch([known, asking], () => {
  if (asking.value) state.from = nearestSpecies(house.almanac, known)?.id ?? state.from
})
const GROUPS = [
  { value: 'snake', label: 'Snake' },
  { value: 'lizard', label: 'Lizard' },
  { value: 'tortoise', label: 'Tortoise or turtle' },
  { value: 'frog', label: 'Frog or salamander' },
]
const MODES = [
  { value: 'egg', label: 'lays eggs' },
  { value: 'live', label: 'bears live young' },
  { value: 'larval', label: 'has tadpoles' },
]
const FOODS = [
  { value: 'rodents', label: 'rodents' },
  { value: 'insects', label: 'insects and worms' },
  { value: 'plants', label: 'plants' },
]
const WINTERS = [
  { value: 'brumation', label: 'true cold' },
  { value: 'dormancy', label: 'a cool, dry rest' },
  { value: 'none', label: 'no winter' },
]
/** What the keeper of a species without a known relative rather leaves open than borrows. */
const OPEN = [
  { value: 'incubation', label: 'how long eggs take' },
  { value: 'clocks', label: 'the clocks of its year' },
  { value: 'nextClutch', label: 'further clutches' },
  { value: 'mating', label: 'how it is paired' },
  { value: 'sexing', label: 'how the sexes differ' },
]
const leftOpen = ref<string[]>([])

watch(open, is => {
  if (is) Object.assign(state, blank(), { from: props.like })
})
const relatives = computed(() =>
  props.of === 'species'
    ? house.speciesOffered.map(s => ({ value: s.id, label: s.name, description: s.latin }))
    : Object.values(house.almanac.feeders).map(f => ({ value: f.id, label: f.name, description: f.latin })),
)
const relative = computed(() => house.almanac[props.of === 'species' ? 'species' : 'feeders'][state.from])
const AS = [
  {
    value: 'relative',
    label: 'A species of its own',
    description: 'All numbers are taken over and marked as borrowed, until you set them',
  },
  {
    value: 'type',
    label: 'A type within it',
    description: 'A locality, line or form: breeds with it, and has a few numbers of its own',
  },
]
/** The weight that was said is the keeper's own; what is left open is not known, and all else is borrowed. */
const asSaid = () => ({
  adultMassG: { value: known.adultG, unit: 'g', mark: 'own' },
  ...Object.fromEntries(leftOpen.value.map(part => [part, part === 'clocks' ? {} : null])),
})
async function send(): Promise<void> {
  const { name, latin, one, many, from } = state
  const data =
    props.of === 'species'
      ? { name, latin, from, type: state.as === 'type', parts: asking.value ? asSaid() : {} }
      : { name, one: one || name.toLowerCase(), many: many || `${name.toLowerCase()}s`, from, parts: {} }
  const ids = await record(
    { kind: `${props.of}Added`, founds: props.of, data },
    `${name} added to the almanac`,
    refusals,
  )
  if (!ids) return
  open.value = false
  emit('added', ids[0]!)
}
</script>

<template>
  <USlideover
    v-model:open="open"
    :title="of === 'species' ? 'Add a species' : 'Add a feeder'"
    description="From its nearest relative: what you do not know yet is borrowed"
  >
    <template #body>
      <UForm
        ref="form"
        :state="state"
        :validate="refusals.still"
        class="grid gap-4"
        @submit="send"
        @error="focusFirstWrong"
      >
        <UFormField name="from" label="Nearest relative" required
          ><USelectMenu
            v-model="state.from"
            :items="relatives"
            value-key="value"
            class="w-full"
            :filter-fields="['label', 'description']"
        /></UFormField>
        <UButton
          v-if="of === 'species'"
          :label="asking ? 'I know a relative' : 'I know no relative'"
          size="xs"
          variant="ghost"
          color="neutral"
          class="justify-self-start -mt-2"
          @click="asking = !asking"
        />
        <fieldset v-if="asking" class="known">
          <legend class="small quiet">What is known; the nearest of its group stands above</legend>
          <USelect v-model="known.group" :items="GROUPS" aria-label="Group" />
          <USelect v-model="known.mode" :items="MODES" aria-label="How it bears its young" />
          <USelect v-model="known.eats" :items="FOODS" aria-label="What it eats" />
          <USelect v-model="known.winter" :items="WINTERS" aria-label="Its winter" />
          <UInputNumber
            v-model="known.adultG"
            :min="0.5"
            :max="100000"
            :step-snapping="false"
            aria-label="Weight of an adult, g"
          /><span class="self-center">g grown</span>
          <RecordPick
            v-model="leftOpen"
            :items="OPEN"
            multiple
            name="Leave open"
            placeholder="Leave open rather than borrow …"
            class="col-span-2"
          />
        </fieldset>
        <UFormField v-if="of === 'species'" name="type" label="It is"
          ><URadioGroup v-model="state.as" :items="AS"
        /></UFormField>
        <UFormField name="name" label="Name" required
          ><UInput v-model="state.name" class="w-full" autocomplete="off"
        /></UFormField>
        <UFormField v-if="of === 'species'" name="latin" label="Latin name" hint="if known"
          ><UInput v-model="state.latin" class="w-full" autocomplete="off"
        /></UFormField>
        <template v-else>
          <UFormField name="one" label="One is called" hint="as in “1 …”"
            ><UInput v-model="state.one" class="w-full" autocomplete="off" :placeholder="state.name.toLowerCase()"
          /></UFormField>
          <UFormField name="many" label="Several are called"
            ><UInput
              v-model="state.many"
              class="w-full"
              autocomplete="off"
              :placeholder="`${state.name.toLowerCase()}s`"
          /></UFormField>
        </template>
        <p
          v-if="relative && of === 'species' && 'cautions' in relative && relative.cautions.length"
          class="quiet small"
        >
          Its cautions are taken over too. Look up what the law where you live asks for this species before you keep,
          breed or move it.
        </p>
        <UButton
          type="submit"
          :label="of === 'species' ? 'Add species' : 'Add feeder'"
          :loading="busy"
          :disabled="!state.name.trim()"
          class="justify-self-start"
        />
      </UForm>
    </template>
  </USlideover>
</template>

<style scoped>
.known {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.5rem;
}
</style>
