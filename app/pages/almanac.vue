<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import type { Cold, Fact, Mating, Measure, Sexing, Spread } from '#core/almanac'
import { EVENT_NAMES } from '#core/pairing'

const house = useHouse()
const route = useRoute()
const chosen = useLocalStorage('almanac-chosen', 'california-kingsnake')
watch(
  () => route.hash,
  hash => {
    if (hash) chosen.value = hash.slice(1)
  },
  { immediate: true },
)

const species = computed(() => Object.values(house.almanac.species))
const feeders = computed(() => Object.values(house.almanac.feeders))
const shownSpecies = computed(() => house.almanac.species[chosen.value])
const shownFeeder = computed(() => house.almanac.feeders[chosen.value])

interface Row {
  label: string
  unit: string
  numbers: {
    label: string
    path: string
    value: number
    unit: string
    mark: Fact['mark']
    source?: string
    note?: string
  }[]
}
const fact = (label: string, path: string, f: Fact): Row => ({
  label,
  unit: f.unit,
  numbers: [{ label, path: `${path}.value`, ...f }],
})
const spread = (label: string, path: string, s: Spread): Row => ({
  label,
  unit: s.unit,
  numbers: (['earliest', 'likely', 'latest'] as const).map(k => ({
    label: `${label}, ${k}`,
    path: `${path}.${k}`,
    value: s[k],
    unit: s.unit,
    mark: s.mark,
    source: s.source,
    note: s.note,
  })),
})

function coldRows(c: Cold, path: string): Row[] {
  return [
    fact('Hold', `${path}.holdC`, c.holdC),
    fact('Hold, low', `${path}.lowC`, c.lowC),
    fact('Hold, high', `${path}.highC`, c.highC),
    fact('Harmed below', `${path}.floorC`, c.floorC),
    fact('Not long over', `${path}.ceilingC`, c.ceilingC),
    fact('Warm', `${path}.warmC`, c.warmC),
    spread('Weeks', `${path}.weeks`, c.weeks),
    spread('Fasting before it', `${path}.gutClearDays`, c.gutClearDays),
    fact('Cooling down over', `${path}.stepDownDays`, c.stepDownDays),
    fact('Light', `${path}.lightHours`, c.lightHours),
    fact('Not younger than', `${path}.minAgeDays`, c.minAgeDays),
    fact('Watch at a loss of', `${path}.watchLoss`, c.watchLoss),
    fact('Take out at', `${path}.takeOutLoss`, c.takeOutLoss),
    ...(c.loss.by === 'month' ? [fact('Usual loss a month', `${path}.loss.share`, c.loss.share)] : []),
    fact('Noise of one weighing', `${path}.weighingNoise`, c.weighingNoise),
    fact('Size ratio of two in a tub', `${path}.sizeRatio`, c.sizeRatio),
    ...(c.rest
      ? [
          fact('Nights', `${path}.rest.nightC`, c.rest.nightC),
          fact('Food, of the usual', `${path}.rest.foodShare`, c.rest.foodShare),
          fact('Male in before its end', `${path}.rest.maleBeforeEndDays`, c.rest.maleBeforeEndDays),
        ]
      : []),
    spread('Warmth to first meal', `${path}.firstMeal`, c.firstMeal),
    spread('Warmth to first shed', `${path}.firstShed`, c.firstShed),
    spread('Regained a day', `${path}.regainPerDay`, c.regainPerDay),
  ]
}

const bySex = (label: string, path: string, by: { female: Measure; male: Measure } | undefined): Row[] =>
  by
    ? (['female', 'male'] as const).map(sex => ({
        label: `${label}, ${sex}: middle and spread`,
        unit: by[sex].unit,
        numbers: (['mean', 'sd'] as const).map(k => ({
          label: `${label}, ${sex}, ${k === 'mean' ? 'middle' : 'spread'}`,
          path: `${path}.${sex}.${k}`,
          value: by[sex][k],
          unit: by[sex].unit,
          mark: by[sex].mark,
          source: by[sex].source,
          note: by[sex].note,
        })),
      }))
    : []
function sexRows(s: Sexing, path: string): Row[] {
  return [
    ...bySex('Probe', `${path}.probe`, s.probe),
    ...(s.probeFromG ? [fact('Not probed under', `${path}.probeFromG`, s.probeFromG)] : []),
    ...bySex('Subcaudals', `${path}.subcaudals`, s.subcaudals),
    ...bySex('Tail', `${path}.tailShare`, s.tailShare),
    ...s.signs.flatMap(id => {
      const sign = house.almanac.signs[id]!
      return [
        fact(`${sign.name}, right when grown`, `signs.${id}.rightGrown`, sign.rightGrown),
        ...(sign.rightYoung ? [fact(`${sign.name}, right in young`, `signs.${id}.rightYoung`, sign.rightYoung)] : []),
      ]
    }),
    fact('Measurements that are wrong', 'common.sexSlip', house.almanac.common.sexSlip!),
    fact('Sex on a card that is right', 'common.sexStated', house.almanac.common.sexStated!),
  ]
}
function matingRows(m: Mating, path: string): Row[] {
  return [
    fact('Males from', `${path}.maleFromDays`, m.maleFromDays),
    fact('Females from', `${path}.femaleFromDays`, m.femaleFromDays),
    fact('Female at least', `${path}.femaleMassShare`, m.femaleMassShare),
    fact('Heavier over lighter at most', `${path}.sizeRatio`, m.sizeRatio),
    fact('A visit', `${path}.visitDays`, m.visitDays),
    fact('Rest between', `${path}.restDays`, m.restDays),
    fact('Locks wanted', `${path}.locksWanted`, m.locksWanted),
    fact('Females to a male', `${path}.females`, m.females),
    ...(m.follicles
      ? [
          spread('Follicles at ovulation', `${path}.follicles.ovulateMm`, m.follicles.ovulateMm),
          spread('Follicles grow', `${path}.follicles.mmPerDay`, m.follicles.mmPerDay),
        ]
      : []),
    fact('She rests below', `${path}.restBelow`, m.restBelow),
    fact('May go again from', `${path}.againFrom`, m.againFrom),
  ]
}

/** What the numbers of health and year are called. */
const HEALTH_WORDS: Record<string, string> = {
  lossWatch: 'Loss watched from',
  lossHarm: 'Loss is harm from',
  lossLookedBack: 'Weights counted back',
  eggsOpenEvery: 'Egg boxes opened every',
  eggsCandledAt: 'Eggs candled at',
  harvestEvery: 'Cups harvested every',
  sizeKnown: 'A weight tells the size for',
  mealRest: 'Rest after a meal, before a mate',
  largePrey: 'Largest prey, of the body weight',
  oftenUntil: 'Meals twice as often, at most',
  wakeWeightWithin: 'Weight out of the cold, within',
  hatchHardlyAhead: 'Hatch no longer waited for, under',
  leanShare: 'Lean under, of its best weight',
  thinShare: 'Thin under, of its best weight',
  ownCurve: 'Its own best weight is of the last',
  leanStay: 'Lean: cold at most, of the usual length',
  bathEvery: 'Baths while fasting, every',
  mealAfterWarm: 'First meal offered after warmth of',
  gravidShare: 'Prey while gravid, of the usual',
  gravidLateShare: 'Prey in the last month, of the usual',
  nearlyGrown: 'On the bench from, of breeding age',
  startWeightFresh: 'Weighed before the cold, within',
  regained: 'Regained from, of the starting weight',
  firstMealShare: 'First meal after the cold',
  weightTrusted: 'A meal goes by a weight for',
  inbreedingLoad: 'Loss of vigour by inbreeding',
  fertilityShrink: 'Usual fertility weighs as',
  rejectionCounts: 'A rejection counts for',
  injuryHeals: 'Apart after an injury for',
  wakeEarliest: 'Woken, earliest',
  wakeLikely: 'Woken, likely',
  wakeLatest: 'Woken, latest',
}
/** A name of the almanac as words: `lossWatch` is “Loss watch”. */
const wordsOf = (key: string) =>
  key
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .toLowerCase()
    .replace(/^./, c => c.toUpperCase())

const speciesRows = computed(() => {
  const s = shownSpecies.value
  if (!s) return []
  const p = `species.${s.id}`
  const rows: [string, Row[]][] = [
    [
      'Clocks: earliest, likely, latest',
      Object.entries(s.clocks).map(([key, c]) =>
        spread(`${EVENT_NAMES[c.from]} → ${EVENT_NAMES[c.to]}`, `${p}.clocks.${key}.days`, c.days),
      ),
    ],
    [
      'Eggs and young',
      [
        spread('Clutch or litter', `${p}.clutchSize`, s.clutchSize),
        fact('Good eggs', `${p}.fertility`, s.fertility),
        fact('Hatch or birth alive', `${p}.hatchRate`, s.hatchRate),
        ...(s.larvalSurvival ? [fact('Tadpoles that turn', `${p}.larvalSurvival`, s.larvalSurvival)] : []),
        ...(s.nextClutch
          ? [
              spread('To the next laying', `${p}.nextClutch.days`, s.nextClutch.days),
              spread('Clutches a season', `${p}.nextClutch.perSeason`, s.nextClutch.perSeason),
              fact('Chance of another', `${p}.nextClutch.comes`, s.nextClutch.comes),
            ]
          : []),
        fact('Young alive at 90 days', `${p}.survival90`, s.survival90),
        fact('Days kept before sale', `${p}.keptDays`, s.keptDays),
      ],
    ],
    ...(s.incubation
      ? [
          [
            'Incubation',
            [
              ...s.incubation.points.map((pt, i): Row => ({
                label: `At ${pt.tempC} °C`,
                unit: 'days',
                numbers: [
                  {
                    label: `Days at ${pt.tempC} °C`,
                    path: `${p}.incubation.points.${i}.days`,
                    value: pt.days,
                    unit: 'days',
                    mark: pt.mark,
                    source: pt.source,
                    note: pt.note,
                  },
                ],
              })),
              fact('Usual temperature', `${p}.incubation.usualTempC`, s.incubation.usualTempC),
              fact('Kills above', `${p}.incubation.lethalAboveC`, s.incubation.lethalAboveC),
            ],
          ] as [string, Row[]],
        ]
      : []),
    ...(s.sexByTemperature
      ? [
          [
            'Sex by temperature',
            s.sexByTemperature.map((pt, i): Row => ({
              label: `At ${pt.tempC} °C`,
              unit: 'share female',
              numbers: [
                {
                  label: `Share female at ${pt.tempC} °C`,
                  path: `${p}.sexByTemperature.${i}.femaleShare`,
                  value: pt.femaleShare,
                  unit: 'share female',
                  mark: pt.mark,
                  source: pt.source,
                  note: pt.note,
                },
              ],
            })),
          ] as [string, Row[]],
        ]
      : []),
    ...(s.sexing
      ? ([
          [
            `Sexes (${{ ZW: 'ZW: females have one Z', XY: 'XY: males have one X', temperature: 'by temperature', clonal: 'all females', unknown: 'way not known' }[s.sexing.system]})`,
            sexRows(s.sexing, `${p}.sexing`),
          ],
        ] as [string, Row[]][])
      : []),
    ...(s.mating ? ([['Pairing', matingRows(s.mating, `${p}.mating`)]] as [string, Row[]][]) : []),
    ...(s.cold
      ? ([[s.winter === 'dormancy' ? 'Rest' : 'Cold', coldRows(s.cold, `${p}.cold`)]] as [string, Row[]][])
      : []),
    [
      'What happens and goes unwritten, any species',
      Object.entries(house.almanac.common)
        .filter(([key]) => key.startsWith('unwritten'))
        .map(([key, f]) => fact(wordsOf(key.replace('unwritten', '')), `common.${key}`, f)),
    ],
    [
      'Health and year, any species',
      Object.entries(house.almanac.common)
        .filter(([key]) => !/^(unwritten|sex)/.test(key))
        .map(([key, f]) => fact(HEALTH_WORDS[key] ?? wordsOf(key), `common.${key}`, f)),
    ],
    ...(s.shellMass
      ? ([
          [
            'Mass for its length',
            [
              fact('Mass = constant × length³', `${p}.shellMass.gPerCm3`, s.shellMass.gPerCm3),
              fact('Light under', `${p}.shellMass.lowShare`, s.shellMass.lowShare),
              fact('Heavy over', `${p}.shellMass.highShare`, s.shellMass.highShare),
            ],
          ],
        ] as [string, Row[]][])
      : []),
    [
      'Feeding ladder, from the first meal',
      s.ladder.flatMap((l, i) =>
        l.meal.map((m, j): Row => ({
          label: `From day ${l.fromDay}, every ${l.everyDays} d: ${house.almanac.feeders[m.prey]?.name.toLowerCase()}`,
          unit: 'each',
          numbers: [
            {
              label: 'Count',
              path: `${p}.ladder.${i}.meal.${j}.count`,
              value: m.count,
              unit: 'each',
              mark: l.mark,
              source: l.source,
              note: l.note,
            },
          ],
        })),
      ),
    ],
    [
      'Growth and weighing',
      [
        fact('Mature at', `${p}.matureDays`, s.matureDays),
        fact('Adult weight', `${p}.adultMassG`, s.adultMassG),
        fact('Young weight', `${p}.youngMassG`, s.youngMassG),
        fact('Weigh young every', `${p}.weighEveryDays.young`, s.weighEveryDays.young),
        fact('Weigh adults every', `${p}.weighEveryDays.adult`, s.weighEveryDays.adult),
        fact('Weigh in the cold every', `${p}.weighEveryDays.cold`, s.weighEveryDays.cold),
      ],
    ],
  ]
  return rows
})

const feederRows = computed((): [string, Row[]][] => {
  const f = shownFeeder.value
  if (!f) return []
  const p = `feeders.${f.id}`
  const supply = f.supply
  const rows: Row[] = []
  for (const [key, value] of Object.entries(supply)) {
    if (typeof value !== 'object') continue
    const label = key
      .replace(/([A-Z])/g, ' $1')
      .toLowerCase()
      .replace('temp c', 'temperature')
    rows.push(
      'earliest' in value ? spread(label, `${p}.supply.${key}`, value) : fact(label, `${p}.supply.${key}`, value),
    )
  }
  return [
    ['Supply', rows],
    ['Size', [spread('Weight of one', `${p}.massG`, f.massG)]],
  ]
})
</script>

<!-- prettier-ignore -->
<template>
  <div class="screen">
    <header><h1>What do the numbers rest on?</h1><p>Every number says where it came from. Yours stand beside the shipped ones and can be put back.</p></header>
    <div class="book">
      <nav aria-label="Almanac">
        <h2>Species</h2>
        <ul><li v-for="s in species" :key="s.id"><button
          type="button" :class="{ here: chosen === s.id }" @click="chosen = s.id"
        >{{ s.name }}</button></li></ul>
        <h2>Feeders</h2>
        <ul><li v-for="f in feeders" :key="f.id"><button
          type="button" :class="{ here: chosen === f.id }" @click="chosen = f.id"
        >{{ f.name }}</button></li></ul>
      </nav>
      <article>
        <template v-if="shownSpecies">
          <h2 class="title">{{ shownSpecies.name }} <i class="quiet font-normal">{{ shownSpecies.latin }}</i></h2>
          <p class="quiet">{{ { egg: 'Lays eggs', live: 'Live-bearing', larval: 'Spawns; tadpoles' }[shownSpecies.mode] }}; {{ { brumation: 'cold in winter', dormancy: 'a cool, dry rest', none: 'no rest' }[shownSpecies.winter] }}.</p>
          <p
            v-for="c in shownSpecies.cautions" :key="c" class="small caution"
          ><UIcon name="i-lucide-triangle-alert" class="size-3.5" /> {{ c }}</p>
        </template>
        <template v-else-if="shownFeeder">
          <h2 class="title">{{ shownFeeder.name }} <i class="quiet font-normal">{{ shownFeeder.latin }}</i></h2>
          <p>{{ shownFeeder.care }}</p>
          <p
            v-for="c in shownFeeder.cautions" :key="c" class="small caution"
          ><UIcon name="i-lucide-triangle-alert" class="size-3.5" /> {{ c }}</p>
        </template>
        <section v-for="[title, rows] in [...speciesRows, ...feederRows]" :key="title">
          <h3>{{ title }}</h3>
          <table class="plain">
            <tbody><tr
              v-for="row in rows" :key="row.label"
            ><td>{{ row.label }}</td><td><span class="numbers"><AlmanacNumber
              v-for="n in row.numbers" :key="n.path" v-bind="n"
            /></span></td><td class="quiet">{{ row.unit }}</td></tr></tbody>
          </table>
        </section>
      </article>
    </div>
  </div>
</template>

<style scoped>
.book {
  display: grid;
  grid-template-columns: 14rem minmax(0, 44rem);
  gap: 2.5rem;
}
nav {
  max-height: calc(100dvh - 11rem);
  overflow-y: auto;
  position: sticky;
  top: 1rem;
}
nav ul {
  margin-bottom: 1rem;
}
nav button {
  width: 100%;
  text-align: left;
  padding: 0.25rem 0.5rem;
  border-radius: 4px;
}
nav button:hover {
  background: var(--ui-bg-elevated);
}
nav .here {
  background: var(--ui-bg-accented);
  font-weight: 650;
}
.title {
  font-size: 1.25rem;
}
section {
  margin-top: 1.25rem;
}
h3 {
  font-weight: 650;
  color: var(--ui-text-highlighted);
}
.numbers {
  display: flex;
  gap: 1rem;
  flex-wrap: wrap;
}
.caution {
  color: var(--ui-text-muted);
  margin-top: 0.25rem;
}
td:first-child {
  width: 46%;
}
@media (max-width: 800px) {
  .book {
    grid-template-columns: minmax(0, 1fr);
    gap: 1rem;
  }
  nav {
    position: static;
    max-height: 14rem;
    border: 1px solid var(--ui-border);
    padding: 0.5rem;
  }
  nav button {
    min-height: 2.75rem;
  }
}
</style>
