<script setup lang="ts">
import { feederOf, isLiveRow } from '#core/almanac'
import { cultureWay, packWay } from '#core/supply'
import { frozenWay, tellOrder, tellStart } from '#core/season'
import { formatDay, lowerFirst } from '#core/units'

const house = useHouse()
const route = useRoute()
const { record } = useRecord()
const trying = ref(false)
const picked = ref<string | null>(route.hash.slice(1) || null)

const alive = computed(() => Object.values(house.house.cultures).filter(c => !c.finished))
const byKind = (kind: string) => [
  ...new Set(
    alive.value.filter(c => cultureWay(feederOf(house.almanac, c.feederId))?.kind === kind).map(c => c.feederId),
  ),
]
const batches = computed(() => byKind('batch'))
const colonies = computed(() => byKind('colony'))
const pickedCulture = computed(() => alive.value.find(c => c.id === picked.value))

const planOf = (prey: string) => house.plans.find(p => p.prey === prey)
function planText(prey: string): string {
  const plan = planOf(prey)
  const feeder = feederOf(house.almanac, prey)
  const order = plan?.orders[0]
  const acts = [
    order && `${tellOrder(order, feeder)} by ${formatDay(order.day, house.today)}`,
    plan && tellStart(plan, feeder, house.today),
  ].filter(act => typeof act === 'string')
  return acts.length ? acts.map((act, i) => (i ? lowerFirst(act) : act)).join('; ') : 'Covered as it stands'
}
/** Bought prey: what is left and until when it lasts. */
const stocks = computed(() =>
  house.plans
    .filter(p => p.kind === 'bought')
    .map(plan => {
      // one that nobody keeps is ordered to stand in: nothing of it is there
      const look = house.season!.prey.find(x => x.prey === plan.prey)
      const short = plan.bareMissing.findIndex(m => m > 0)
      return {
        plan,
        look,
        feeder: feederOf(house.almanac, plan.prey),
        stock: look?.stock ?? 0,
        eaten: look?.high.some(n => n > 0) ?? false,
        lasts: short < 0 ? null : house.today + short,
        ordered: house.house.stocks[plan.prey]?.onOrder.reduce((n, o) => n + o.count, 0) ?? 0,
      }
    }),
)

const answer = computed(
  () => startsAnswer(house.upcomingStarts, house.today) ?? 'Nothing needs to be started this week.',
)
/** An order goes to whose price list it is planned by. */
function fromOf(prey: string): { supplierId?: string } {
  const supplierId = packWay(feederOf(house.almanac, prey))?.supplierId
  return supplierId === undefined ? {} : { supplierId }
}
/** Writes what is said of a stock in numbers; what is refused stands beside the field. */
const write = (kind: string, says: string, prey: string, count: number, further: object, form: FormErrors) =>
  record(
    {
      kind,
      subject: { type: 'prey', id: prey },
      data: { count, ...(kind === 'preyOrdered' && fromOf(prey)), ...further },
    },
    `${feederOf(house.almanac, prey).name}: ${says} ${count}`,
    form,
  )
const writeKept = (prey: string, said: { placeId?: string }, form: FormErrors) =>
  record(
    { kind: 'preyKept', subject: { type: 'prey', id: prey }, data: said },
    `${feederOf(house.almanac, prey).name}: kept at ${house.house.places[said.placeId ?? '']?.name ?? 'no place of its own'}`,
    form,
  )
</script>

<template>
  <div class="screen">
    <header>
      <div>
        <h1>Is there food enough, and what must be started?</h1>
        <p v-if="alive.length || stocks.length">{{ answer }}</p>
      </div>
      <div class="buttons flex-none">
        <UButton
          to="/culture-day"
          label="Culture day"
          icon="i-lucide-clipboard-check"
          variant="outline"
          color="neutral"
        />
        <UButton
          label="What if …"
          icon="i-lucide-git-branch"
          variant="outline"
          color="neutral"
          :aria-expanded="trying"
          @click="trying = !trying"
        />
        <UButton to="/suppliers" label="Suppliers" icon="i-lucide-truck" variant="outline" color="neutral" />
        <UButton to="/they-are-here" label="They are here" icon="i-lucide-bell" variant="outline" color="neutral" />
        <FeedersStartForm />
      </div>
    </header>
    <FeedersRoom />
    <FeedersAppetite />
    <LazyFeedersWhatIf v-model:open="trying" />
    <p v-if="!alive.length && !stocks.length" class="quiet">
      No cultures and no stock yet. Start the first culture; count what lies in the freezer once an animal eats it.
    </p>

    <section v-for="id in batches" :key="id" class="kind">
      <h2>
        <span class="stage stage-feeder">{{ feederOf(house.almanac, id).name }}</span>
        <WorkingLink
          v-if="planOf(id)"
          class="plan"
          :title="`${feederOf(house.almanac, id).name}: plan`"
          :answer="planText(id)"
          :reasons="planOf(id)!.reasons"
        />
      </h2>
      <FeedersInPlace v-if="planOf(id)" :plan="planOf(id)!" />
      <FeedersLessons :feeder-id="id" />
      <FeedersShelf
        :feeder-id="id"
        :cultures="alive.filter(c => c.feederId === id)"
        :picked="picked"
        @pick="picked = picked === $event ? null : $event"
      />
      <FeedersCultureCard v-if="pickedCulture?.feederId === id" :culture="pickedCulture" />
    </section>

    <section v-if="colonies.length" class="kind">
      <h2>Colonies</h2>
      <template v-for="id in colonies" :key="id">
        <p class="colony">
          <span class="stage stage-feeder">{{ feederOf(house.almanac, id).name }}</span>
          <WorkingLink
            v-if="planOf(id)"
            :title="`${feederOf(house.almanac, id).name}: plan`"
            :answer="planText(id)"
            :reasons="planOf(id)!.reasons"
          />
        </p>
        <FeedersInPlace v-if="planOf(id)" :plan="planOf(id)!" />
        <FeedersCultureCard v-for="c in alive.filter(x => x.feederId === id)" :id="c.id" :key="c.id" :culture="c" />
      </template>
    </section>

    <FeedersOrders />
    <section v-if="stocks.length" class="kind">
      <h2>Bought and frozen</h2>
      <div class="overflow-x-auto">
        <table class="plain stocks">
          <thead>
            <tr>
              <th>Feeder</th>
              <th class="num">Left</th>
              <th class="num">On order</th>
              <th>Lasts until</th>
              <th>Plan</th>
              <th><span class="sr-only">Record</span></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="s in stocks" :key="s.plan.prey" :data-stock="s.plan.prey">
              <td>{{ s.feeder.name }}<FeedersLots v-if="s.look" :look="s.look" /></td>
              <td class="num" data-name="left">{{ Math.round(s.stock) }}</td>
              <td class="num" :data-name="s.ordered ? 'on order' : null">{{ s.ordered || '' }}</td>
              <td>
                {{
                  !s.eaten
                    ? 'stands in'
                    : s.lasts === null
                      ? `over ${Math.round(s.plan.days / 7)} weeks`
                      : formatDay(s.lasts, house.today)
                }}
              </td>
              <td>
                <WorkingLink
                  :title="`${s.feeder.name}: plan`"
                  :answer="planText(s.plan.prey)"
                  :reasons="s.plan.reasons"
                />
                <FeedersInPlace :plan="s.plan" />
              </td>
              <td>
                <div class="buttons">
                  <RecordAskNumber
                    label="Count"
                    :title="`${s.feeder.name} left`"
                    :likely="Math.round(s.stock)"
                    @record="(...said) => write('preyCounted', 'counted', s.plan.prey, ...said)"
                  />
                  <RecordAskNumber
                    label="Order"
                    :title="`${s.feeder.name} ordered`"
                    @record="(...said) => write('preyOrdered', 'ordered', s.plan.prey, ...said)"
                  />
                  <RecordAskNumber
                    v-if="!frozenWay(s.feeder)"
                    label="Kept at"
                    :title="`Where are ${s.feeder.many} kept? Empty: nowhere of their own`"
                    kind="preyKept"
                    no-number
                    @record="(_, said, form) => writeKept(s.plan.prey, said, form)"
                  />
                  <RecordAskNumber
                    v-if="s.stock >= 1"
                    label="Thrown away"
                    :title="`${s.feeder.name} thrown away`"
                    kind="preyDiscarded"
                    @record="(...said) => write('preyDiscarded', 'thrown away', s.plan.prey, ...said)"
                  />
                </div>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
    </section>
    <FeedersUpkeep />
    <p class="quiet small mt-6">
      Frass and dust of feeders cause allergies: ventilate, wash hands. Feeders that are not native fall under local
      law; never release them.
      <template v-if="stocks.some(s => isLiveRow(s.plan.prey))"
        >Whether vertebrates may be fed alive is for the local law too; a mouse with teeth is never alone with a
        snake.</template
      >
    </p>
  </div>
</template>

<style scoped>
.kind {
  margin-bottom: 1.75rem;
}
.kind > h2 {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem 1.25rem;
  align-items: baseline;
  margin-bottom: 0.25rem;
}
.plan {
  font-weight: 400;
  font-size: 0.9375rem;
}
.colony {
  display: flex;
  gap: 1.25rem;
  border-top: 1px solid var(--ui-border);
  padding-top: 0.375rem;
}
.buttons {
  display: flex;
  gap: 0.375rem;
}
.stocks td {
  vertical-align: top;
}
.stocks td:first-child {
  min-width: 14rem;
}
/* on a phone a row is a small card: name and numbers, then what to do */
@media (max-width: 640px) {
  header .buttons {
    flex: 1 1 100%;
    flex-wrap: wrap;
  }
  .stocks thead {
    display: none;
  }
  .stocks tr {
    display: flex;
    flex-wrap: wrap;
    gap: 0 0.75rem;
    align-items: baseline;
    padding: 0.375rem 0;
    border-bottom: 1px solid var(--ui-border);
  }
  .stocks td {
    padding: 0;
    border: 0;
  }
  .stocks td:first-child {
    flex-basis: 100%;
    font-weight: 600;
  }
  .stocks td[data-name]::after {
    content: ' ' attr(data-name);
  }
  .stocks td:nth-child(n + 5) {
    flex-basis: 100%;
    padding-top: 0.25rem;
  }
}
/* the question in one line: where there is no room beside it, the buttons come after the answer */
.screen > header > :first-child {
  flex: 1 1 40rem;
}
</style>
