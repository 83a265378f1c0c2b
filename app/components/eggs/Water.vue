<script setup lang="ts">
import { boxRecipe } from '#core/incubation'
import { boxBalance, eggMass, isHardShelled } from '#core/season/eggs'
import { eggsLeft, type ClutchState } from '#core/subjects'
import { UnitError, formatQuantity, parseAs } from '#core/units'

/** The box as a balance of water: how it was set up, what it weighs, what is to be given. */
const props = defineProps<{
  clutch: ClutchState
  write: (kind: string, data: Record<string, unknown>, says: string, form?: FormErrors) => Promise<boolean>
  busy: boolean
}>()
const house = useHouse()
const context = useSeasonContext()
const show = (g: number) => formatQuantity(Number(g.toFixed(1)), house.settings.massUnit)
const balance = computed(() => boxBalance(props.clutch, context.value))
const mass = computed(() => eggMass(props.clutch, context.value))

const setting = ref(false)
const state = reactive({ medium: 'vermiculite', mediumG: '', waterG: '', totalG: '' })
const problems = ref<Record<string, string>>({})
const beside: FormErrors = {
  setErrors: list => (problems.value = Object.fromEntries(list.map(e => [e.name, e.message]))),
}
/** What a box for these eggs takes, when they were weighed. */
const recipe = computed(() => {
  const weighed = props.clutch.eggWeights.at(-1)
  const eggs = eggsLeft(props.clutch)
  if (!weighed || !eggs) return null
  const { mediumPerEgg, waterPerMedium, waterHard } = house.almanac.common
  const water = isHardShelled(props.clutch, house) ? waterHard! : waterPerMedium!
  return boxRecipe(eggs, weighed.massG / weighed.count, mediumPerEgg!.value, water.value)
})
function takeRecipe(): void {
  if (!recipe.value) return
  state.mediumG = show(recipe.value.mediumG)
  state.waterG = show(recipe.value.waterG)
}
async function setUp(): Promise<void> {
  const data: Record<string, unknown> = { medium: state.medium.trim() }
  problems.value = {}
  for (const field of ['mediumG', 'waterG', 'totalG'] as const) {
    const text = state[field].trim()
    if (!text) continue
    try {
      data[field] = Number(parseAs('mass', text, house.settings.massUnit).toFixed(1))
    } catch (error) {
      if (!(error instanceof UnitError)) throw error
      problems.value[field] = error.message
    }
  }
  if (Object.keys(problems.value).length) return
  if (await props.write('boxSet', data, 'box set up', beside)) setting.value = false
}
const FIELDS = [
  ['mediumG', 'Dry medium'],
  ['waterG', 'Water'],
  ['totalG', 'Closed box with all in it'],
] as const
</script>

<template>
  <div>
    <h2>Water</h2>
    <p v-if="clutch.box">
      {{ clutch.box.medium
      }}<template v-if="clutch.box.mediumG && clutch.box.waterG"
        >, {{ show(clutch.box.mediumG) }} with {{ show(clutch.box.waterG) }} of water</template
      ><template v-if="clutch.box.totalG">, {{ show(clutch.box.totalG) }} in all</template>.
      <WorkingLink
        v-if="balance"
        :title="`${clutch.tag}: water of the box`"
        :answer="
          balance.give
            ? `Give ${show(balance.give)} of water`
            : balance.goneG <= 0
              ? 'No water has gone'
              : `${show(balance.goneG)} of water gone${balance.share === null ? '' : `, ${Math.round(balance.share * 100)} %`}: leave it`
        "
        :reasons="balance.reasons"
      />
      <template v-else-if="clutch.box.totalG">Weigh the closed box again to see how much water went.</template>
    </p>
    <p v-else class="quiet">
      Nothing is said of the box yet. Weighed at set-up and later, it tells how much water went.
    </p>
    <p v-if="mass">
      Eggs
      <WorkingLink
        :title="`${clutch.tag}: mass of the eggs`"
        :answer="`${mass.share >= 0 ? '+' : '−'}${Math.abs(Math.round(mass.share * 100))} % since the first weighing: ${mass.verdict}`"
        :reasons="mass.reasons"
      />
    </p>
    <div class="line mt-2">
      <RecordAskNumber
        v-if="clutch.box"
        label="Box weighed"
        :title="`${clutch.tag}: the closed box`"
        unit="mass"
        :likely="clutch.boxWeights.at(-1)?.totalG"
        :busy="busy"
        @record="(totalG, _, form) => write('boxWeighed', { totalG }, `box ${totalG} g`, form)"
      />
      <RecordAskNumber
        label="Water given"
        :title="`${clutch.tag}: water given`"
        unit="mass"
        :busy="busy"
        @record="(waterG, _, form) => write('boxWatered', { waterG }, `${waterG} g of water`, form)"
      />
      <UButton
        :label="clutch.box ? 'Set up anew' : 'Set up box'"
        variant="outline"
        color="neutral"
        :aria-expanded="setting"
        @click="setting = !setting"
      />
    </div>
    <form v-if="setting" class="set" @submit.prevent="setUp">
      <UFormField label="Medium" :error="problems.medium">
        <UInput v-model="state.medium" class="w-full" maxlength="80" />
      </UFormField>
      <p v-if="recipe" class="small">
        For these eggs about {{ show(recipe.mediumG) }} dry and {{ show(recipe.waterG) }} of water.
        <UButton type="button" size="sm" variant="outline" color="neutral" label="Take it" @click="takeRecipe" />
      </p>
      <UFormField
        v-for="[field, label] in FIELDS"
        :key="field"
        :label="label"
        :hint="house.settings.massUnit"
        :error="problems[field]"
      >
        <UInput v-model="state[field]" class="w-full" inputmode="decimal" autocomplete="off" />
      </UFormField>
      <UButton type="submit" label="Write box" :loading="busy" />
    </form>
  </div>
</template>

<style scoped>
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
}
.set {
  display: grid;
  gap: 0.75rem;
  max-width: 22rem;
  margin-top: 0.75rem;
}
</style>
