<script setup lang="ts">
import { WEEKDAYS } from '#core/units'
import { SetSettings, type KeptSettings } from '#shared/contracts/house'

const house = useHouse()
const toast = useToast()
const state = reactive({
  ...house.settings,
  schools: { ...house.settings.schools },
  cover: Math.round(house.settings.coverQuantile * 100),
  safePct: house.settings.safeSeasons === null ? undefined : Math.round(house.settings.safeSeasons * 100),
  sexPct: Number((house.settings.sexCertainty * 100).toFixed(2)),
  warmUp: house.settings.warmUpDay,
  appetitePct: Math.round(house.settings.appetite * 100),
  wastePct: Math.round(house.settings.waste * 100),
  yieldPct: Math.round(house.settings.cupYield * 100),
})
// a new house begins in the keeper's own time zone
if (house.isEmpty && state.timeZone === 'UTC') state.timeZone = Intl.DateTimeFormat().resolvedOptions().timeZone
const problems = useProblems()
/** The settings as they were when this form was filled: a change made meanwhile elsewhere is not written over. */
const version = ref(house.snapshot!.settingsVersion)
const DAYS = WEEKDAYS.map((label, value) => ({
  label,
  value,
}))
const zones = Intl.supportedValuesOf('timeZone')
const schools = computed(() => Object.values(house.almanac.schools))
/** Schools that a species may answer for itself. */
const OWN = ['warmUp', 'hatchlingWinter', 'coldCompany', 'pairAfterCold', 'inbreeding']
const { ask } = useQuestion()

async function send(): Promise<void> {
  problems.value = {}
  const { cover, safePct, sexPct, warmUp, appetitePct, wastePct, yieldPct, ...rest } = state
  const wish = {
    ...rest,
    version: version.value,
    coverQuantile: cover / 100,
    safeSeasons: safePct ? safePct / 100 : null,
    sexCertainty: Number((sexPct / 100).toFixed(6)),
    latitude: rest.latitude ?? null,
    cultureMinutes: rest.cultureMinutes ?? null,
    orderMoney: rest.orderMoney ?? null,
    freezerLitres: rest.freezerLitres ?? null,
    currency: rest.currency.trim().toUpperCase(),
    warmUpDay: warmUp,
    appetite: appetitePct / 100,
    waste: wastePct / 100,
    cupYield: yieldPct / 100,
  }
  const checked = SetSettings.safeParse(wish)
  if (!checked.success) {
    problems.value = Object.fromEntries(checked.error.issues.map(i => [i.path.join('.'), i.message]))
    return
  }
  await keep(checked.data)
}

async function keep(body: SetSettings): Promise<void> {
  try {
    const kept = await callApi<KeptSettings>('/api/settings', { method: 'PUT', body })
    version.value = kept.version
    await house.load()
    const moved = kept.redated ? `; ${kept.redated} entries are on another day now` : ''
    toast.add({ title: `Settings kept; the season follows them${moved}`, color: 'neutral', icon: 'i-lucide-check' })
  } catch (error) {
    if (!(error instanceof ApiProblem)) throw error
    const question = error.problem.errors?.find(e => e.path === 'sure')
    if (question) {
      if (await ask(question.message)) await keep({ ...body, sure: true })
      else state.timeZone = house.settings.timeZone
      return
    }
    problems.value = Object.fromEntries(
      error.problem.errors?.map(e => [e.path, e.message]) ?? [['form', error.message]],
    )
    if (problems.value.version) problems.value.form = `${error.problem.title}. ${problems.value.version}.`
  }
}
</script>

<template>
  <div class="screen">
    <header>
      <h1>How does this house do things?</h1>
      <p v-if="!house.isEmpty">The first steps are still <NuxtLink to="/begin" class="underline">here</NuxtLink>.</p>
    </header>
    <form class="settings" @submit.prevent="send">
      <section>
        <h2>House</h2>
        <UFormField label="Name" :error="problems.houseName"
          ><UInput v-model="state.houseName" class="w-full"
        /></UFormField>
        <UFormField
          label="Time zone"
          :hint="house.isEmpty ? '' : 'another reads written days anew'"
          :error="problems.timeZone"
          ><USelectMenu
            v-model="state.timeZone"
            :items="zones"
            class="w-full"
            :aria-label="`Time zone: ${state.timeZone}`"
        /></UFormField>
        <UFormField label="Weights in"
          ><USelect v-model="state.massUnit" :items="['g', 'oz']" class="w-full"
        /></UFormField>
        <UFormField label="Temperatures in"
          ><USelect v-model="state.tempUnit" :items="['°C', '°F']" class="w-full"
        /></UFormField>
        <UFormField label="A sex is known from, %" hint="below it stays open" :error="problems.sexCertainty"
          ><UInputNumber v-model="state.sexPct" :min="80" :max="99.99" :step="0.5" class="w-full"
        /></UFormField>
        <UFormField
          label="Latitude, degrees north"
          hint="day length outside; empty: twelve hours"
          :error="problems.latitude"
          ><UInputNumber v-model="state.latitude" :min="-90" :max="90" :step="0.5" class="w-full"
        /></UFormField>
      </section>
      <section>
        <h2>Feeders</h2>
        <UFormField label="Culture day" hint="cups are started, orders go out"
          ><USelect v-model="state.cultureWeekday" :items="DAYS" class="w-full"
        /></UFormField>
        <UFormField label="Need to cover, % of scenarios" :error="problems.coverQuantile"
          ><UInputNumber v-model="state.cover" :min="50" :max="99" class="w-full"
        /></UFormField>
        <UFormField
          label="Seasons of 100 without a hungry day"
          hint="empty: no spares for that"
          :error="problems.safeSeasons"
          ><UInputNumber v-model="state.safePct" :min="50" :max="99" class="w-full"
        /></UFormField>
        <UFormField
          label="Minutes for starting cultures"
          hint="on one day; empty: as long as it takes"
          :error="problems.cultureMinutes"
          ><UInputNumber v-model="state.cultureMinutes" :min="5" :max="1440" :step="5" class="w-full"
        /></UFormField>
        <UFormField
          label="Money for orders in a week"
          hint="where a price list says what they cost; empty: as much as it takes"
          :error="problems.orderMoney"
          ><UInputNumber v-model="state.orderMoney" :min="1" :max="1000000" class="w-full"
        /></UFormField>
        <UFormField
          label="Room in the freezer, litres"
          hint="for prey; empty: as much as it takes"
          :error="problems.freezerLitres"
          ><UInputNumber v-model="state.freezerLitres" :min="1" :max="10000" class="w-full"
        /></UFormField>
        <UFormField label="Currency" hint="three letters, as EUR" :error="problems.currency"
          ><UInput v-model="state.currency" maxlength="3" class="w-full"
        /></UFormField>
        <UFormField label="Appetite, % of the ladder" :error="problems.appetite"
          ><UInputNumber v-model="state.appetitePct" :min="20" :max="500" :step="5" class="w-full"
        /></UFormField>
        <UFormField label="Never eaten, % of what is offered" hint="gets away, or dies" :error="problems.waste"
          ><UInputNumber v-model="state.wastePct" :min="0" :max="50" class="w-full"
        /></UFormField>
        <UFormField label="Cup yield, % of the almanac" :error="problems.cupYield"
          ><UInputNumber v-model="state.yieldPct" :min="10" :max="500" :step="5" class="w-full"
        /></UFormField>
        <RecordDayField
          v-model="state.warmUp"
          label="Warm up those in the cold on"
          hint="empty: by the species’ weeks"
          :error="problems.warmUpDay"
          optional
        />
      </section>
      <section class="schools">
        <h2>Schools</h2>
        <p class="quiet small">Where keepers disagree the house chooses; the computation follows.</p>
        <fieldset v-for="school in schools" :key="school.id">
          <legend>{{ school.question }}</legend>
          <label v-for="choice in school.choices" :key="choice.id">
            <input
              type="radio"
              :name="school.id"
              :value="choice.id"
              :checked="(state.schools[school.id] ?? school.usual) === choice.id"
              @change="state.schools[school.id] = choice.id"
            />
            <span
              ><b>{{ choice.name }}</b> <span class="quiet">{{ choice.reason }}</span></span
            >
          </label>
          <SettingsOwnSchools v-if="OWN.includes(school.id)" v-model="state.schools" :school="school" />
        </fieldset>
      </section>
      <div class="grid gap-2">
        <p v-if="problems.form" class="problem" role="alert">{{ problems.form }}</p>
        <UButton type="submit" label="Keep settings" class="justify-self-start" />
      </div>
    </form>
    <SettingsBackups />
    <SettingsLogOut />
  </div>
</template>

<style scoped>
.settings {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(18rem, 1fr));
  gap: 2rem;
  max-width: 70rem;
}
section {
  display: grid;
  gap: 0.875rem;
  align-content: start;
}
.schools {
  grid-column: 1 / -1;
}
legend {
  font-weight: 600;
  padding-bottom: 0.25rem;
}
label {
  display: flex;
  gap: 0.625rem;
  align-items: baseline;
  min-height: 2.25rem;
  padding: 0.25rem 0;
}
input[type='radio'] {
  accent-color: var(--ui-primary);
  width: 1.125rem;
  height: 1.125rem;
  flex: none;
}
</style>
