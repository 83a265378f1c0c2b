import { feederOf } from '../../almanac'
import { packWay } from '../../supply'
import type { PreyOutlook, Task } from '../contracts'
import { LABELS, areNow, areStill, countAs, tellGrown, tellLot } from './lotsWording'
import { tasksOfEach, type TaskContext, type TaskMaker } from './taskMaker'

const sumOf = (lots: PreyOutlook['lots'], of: 'grown' | 'gone' | 'pieces') =>
  Math.round(lots.reduce((n, lot) => n + lot[of], 0))

/** The tasks of each prey that is kept in lots. */
const ofEachPrey = (
  context: TaskContext,
  isAsked: (look: PreyOutlook) => boolean,
  make: (look: PreyOutlook, context: TaskContext) => Task[],
) => tasksOfEach(context, context.prey.filter(isAsked), look => ({ type: 'prey', id: look.prey }), make)

const base = (sort: string, prey: string, name: string) => ({
  id: `${sort}:${prey}`,
  kind: 'lot',
  subject: { type: 'prey' as const, id: prey },
  tag: name,
  placeId: null,
})

const thrownOut = (likely: number) => ({
  label: LABELS.thrownOut,
  kind: 'preyDiscarded',
  data: {},
  ask: { field: 'count', label: LABELS.thrownOut, likely },
})

/** Lots that have grown into the next size: counted as what they are now. */
export const grownTasks: TaskMaker = context =>
  ofEachPrey(
    context,
    look => look.lots.some(lot => lot.grown >= 1),
    ({ prey, lots }, { almanac, today }): Task[] => {
      const feeder = feederOf(almanac, prey)
      const { grows } = feeder
      if (!grows) return []
      const larger = feederOf(almanac, grows.into)
      const grown = lots.filter(lot => lot.grown >= 1)
      const count = sumOf(grown, 'grown')
      const gone = sumOf(grown, 'gone')
      const still = { field: 'count', label: areStill(feeder), likely: sumOf(lots, 'pieces') }
      return [
        {
          ...base('grown', prey, feeder.name),
          due: Math.min(...grown.map(lot => lot.useBy)) + 1,
          actions: [
            {
              label: countAs(larger),
              kind: 'preyDiscarded',
              data: { grown: true },
              ask: { field: 'count', label: areNow(larger), likely: count },
              with: [{ kind: 'preyGrown', subject: { type: 'prey', id: larger.id }, data: { from: prey } }],
            },
            ...(gone ? [thrownOut(gone)] : []),
            { label: LABELS.count, kind: 'preyCounted', data: {}, ask: still },
          ],
          ...tellGrown({ prey, larger, grown, count, gone, after: grows.days }, today),
        },
      ]
    },
  )

/** Lots that are past their day, and of which too many must be dead or gone off: looked through, counted, thrown out. */
export const lotTasks: TaskMaker = context =>
  ofEachPrey(
    context,
    look => look.lots.length > 0,
    ({ prey, lots }, { almanac, today }): Task[] => {
      const feeder = feederOf(almanac, prey)
      const packs = packWay(feeder)
      const most = almanac.common.lotOver!.value
      // those that have grown are looked at as such
      const over = lots.filter(
        lot => lot.useBy < today && lot.grown < 1 && lot.gone >= 1 && lot.gone > most * (lot.gone + lot.pieces),
      )
      if (!over.length || !packs) return []
      const usable = { field: 'count', label: LABELS.usable, likely: sumOf(lots, 'pieces') }
      const gone = sumOf(over, 'gone')
      return [
        {
          ...base('lot', prey, feeder.name),
          due: over[0]!.useBy,
          actions: [thrownOut(gone), { label: LABELS.count, kind: 'preyCounted', data: {}, ask: usable }],
          ...tellLot({ feeder, packs, over, gone, of: gone + sumOf(over, 'pieces') }, almanac, today),
        },
      ]
    },
  )
