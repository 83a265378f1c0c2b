<script setup lang="ts">
import { tadpoleGrowth } from '#core/nursery'
import { TADPOLE_HOME_WORDS, tadpolesLeft, type ClutchState, type TadpoleHome } from '#core/subjects'
import { formatDay, formatDistance } from '#core/units'

/** Tadpoles of a spawn: how long they are, how they are kept, and their water. */
const props = defineProps<{
  clutch: ClutchState
  write: (kind: string, data: Record<string, unknown>, says: string, form?: FormErrors) => Promise<boolean>
}>()
const house = useHouse()
const count = computed(() => tadpolesLeft(props.clutch))
const growth = computed(() =>
  tadpoleGrowth(
    house.almanac.species[props.clutch.speciesId]!,
    Math.min(...props.clutch.hatched.map(h => h.day)),
    props.clutch.tadpoleLengths ?? [],
    house.today,
    house.almanac.common,
  ),
)
const until = computed(() => house.almanac.common.tadpoleTogether!.value)
const answer = computed(() => {
  const { mm, together } = growth.value
  const kept = props.clutch.housed ? TADPOLE_HOME_WORDS[props.clutch.housed.how] : 'nobody said how they are kept'
  const when =
    together <= house.today ? 'long enough to live together' : `together from ${formatDay(together, house.today)}`
  return `${count.value} tadpoles of about ${mm.toFixed(0)} mm, ${kept}; ${when}, at ${until.value} mm`
})
function keep(how: TadpoleHome): void {
  const boxes = how === 'cups' ? count.value : Math.ceil(count.value / house.almanac.common.tadpolesABox!.value)
  void props.write('tadpolesHoused', { how, boxes }, TADPOLE_HOME_WORDS[how])
}
</script>

<template>
  <section v-if="count">
    <h2>Tadpoles</h2>
    <WorkingLink :title="`${clutch.tag}: how long its tadpoles are`" :answer="answer" :reasons="growth.reasons" />
    <p v-if="clutch.waterChanged" class="quiet small">
      Water changed {{ formatDistance(clutch.waterChanged.day, house.today) }}.
    </p>
    <div class="line">
      <RecordAskNumber
        label="Measured"
        :title="`${clutch.tag}: length of a tadpole with its tail, mm`"
        :likely="Math.round(growth.mm)"
        @record="(mm, _, form) => write('tadpoleMeasured', { mm }, `tadpoles ${mm} mm`, form)"
      />
      <UButton label="Singly in cups" variant="outline" color="neutral" @click="keep('cups')" />
      <UButton label="Together, with plants" variant="outline" color="neutral" @click="keep('together')" />
      <UButton
        label="Water changed"
        variant="outline"
        color="neutral"
        @click="write('waterChanged', {}, 'water changed')"
      />
      <UButton
        label="Water was cloudy"
        variant="outline"
        color="neutral"
        @click="write('waterChanged', { cloudy: true }, 'cloudy water changed')"
      />
    </div>
  </section>
</template>

<style scoped>
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  margin-top: 0.5rem;
}
</style>
