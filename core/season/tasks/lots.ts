import { feederOf } from '../../almanac'
import { computedInput, entryInput, factInput } from '../../judgement'
import { packWay, wayPath } from '../../supply'
import { formatDay } from '../../units'
import type { Task } from '../contracts'
import { tasksOfEach, type TaskMaker } from './taskMaker'

/** Lots that have grown into the next size: counted as what they are now. */
export const grownTasks: TaskMaker = context =>
  tasksOfEach(
    context,
    context.prey.filter(look => look.lots.some(lot => lot.grown >= 1)),
    look => ({ type: 'prey', id: look.prey }),
    ({ prey, lots }, { almanac, today }): Task[] => {
      const feeder = feederOf(almanac, prey)
      const { grows } = feeder
      if (!grows) return []
      const larger = feederOf(almanac, grows.into)
      const grown = lots.filter(lot => lot.grown >= 1)
      const count = Math.round(grown.reduce((n, lot) => n + lot.grown, 0))
      const gone = Math.round(grown.reduce((n, lot) => n + lot.gone, 0))
      return [
        {
          id: `grown:${prey}`,
          kind: 'lot',
          subject: { type: 'prey', id: prey },
          tag: feeder.name,
          placeId: null,
          due: Math.min(...grown.map(lot => lot.useBy)) + 1,
          what: `Look at ${grown.map(lot => `those of ${formatDay(lot.day, today)}`).join(' and ')}: most are ${larger.many} by now`,
          detail: `about ${count} alive${gone ? `, ${gone} gone by` : ''}; the plan does not count on them until they are counted as what they are`,
          actions: [
            {
              label: `Count as ${larger.many}`,
              kind: 'preyDiscarded',
              data: { grown: true },
              ask: { field: 'count', label: `Are ${larger.many} now`, likely: count },
              with: [{ kind: 'preyGrown', subject: { type: 'prey', id: larger.id }, data: { from: prey } }],
            },
            ...(gone
              ? [
                  {
                    label: 'Thrown out',
                    kind: 'preyDiscarded',
                    data: {},
                    ask: { field: 'count', label: 'Thrown out', likely: gone },
                  },
                ]
              : []),
            {
              label: 'Count',
              kind: 'preyCounted',
              data: {},
              ask: {
                field: 'count',
                label: `Are ${feeder.many} still`,
                likely: Math.round(lots.reduce((n, lot) => n + lot.pieces, 0)),
              },
            },
          ],
          reasons: [
            {
              rule: 'What is kept alive and fed grows: from that day on it is not counted on as what it came as',
              inputs: [
                ...grown.map(lot => entryInput('Came', formatDay(lot.day, today), lot)),
                factInput(`Are ${larger.many} after`, `feeders.${prey}.grows.days.value`, grows.days),
                computedInput('Alive by now, expected', `${count}`),
              ],
              change: 'A count of either, or other days in the Almanac: in the cool it takes far longer',
            },
          ],
        },
      ]
    },
  )

/** Lots that are past their day, and of which too many must be dead or gone off: looked through, counted, thrown out. */
export const lotTasks: TaskMaker = context =>
  tasksOfEach(
    context,
    context.prey.filter(look => look.lots.length),
    look => ({ type: 'prey', id: look.prey }),
    ({ prey, lots }, { almanac, today }): Task[] => {
      const feeder = feederOf(almanac, prey)
      const packs = packWay(feeder)
      const { lotOver, lotUseBy, lotShape } = almanac.common
      // those that have grown are looked at as such
      const over = lots.filter(
        lot =>
          lot.useBy < today && lot.grown < 1 && lot.gone >= 1 && lot.gone > lotOver!.value * (lot.gone + lot.pieces),
      )
      if (!over.length || !packs) return []
      const sum = (of: 'pieces' | 'gone', all = over) => Math.round(all.reduce((n, lot) => n + lot[of], 0))
      return [
        {
          id: `lot:${prey}`,
          kind: 'lot',
          subject: { type: 'prey', id: prey },
          tag: feeder.name,
          placeId: null,
          due: over[0]!.useBy,
          what: `Look through ${over.map(lot => `those of ${formatDay(lot.day, today)}`).join(' and ')}`,
          detail: `about ${sum('gone')} of ${sum('gone') + sum('pieces')} have gone by; the rest is used first`,
          actions: [
            {
              label: 'Thrown out',
              kind: 'preyDiscarded',
              data: {},
              ask: { field: 'count', label: 'Thrown out', likely: sum('gone') },
            },
            {
              label: 'Count',
              kind: 'preyCounted',
              data: {},
              ask: { field: 'count', label: 'All that is usable', likely: sum('pieces', lots) },
            },
          ],
          reasons: [
            {
              rule: 'A lot past its day: half are usable after the days they keep, and the end comes quickly',
              inputs: [
                ...over.map(lot =>
                  entryInput(`Of ${formatDay(lot.day, today)}`, `use by ${formatDay(lot.useBy, today)}`, lot),
                ),
                computedInput('Gone by now, expected', `${sum('gone')}`),
                factInput('Half are usable after', `${wayPath(feeder, packs)}.keepDays.value`, packs.keepDays),
                factInput('How sharply it ends', 'common.lotShape.value', lotShape!),
                factInput('Usable on the day of use', 'common.lotUseBy.value', lotUseBy!),
                factInput('To be looked through from', 'common.lotOver.value', lotOver!),
              ],
              change: 'A count, what is thrown out, or a date of its own on the box',
            },
          ],
        },
      ]
    },
  )
