import { feederOf } from '../../almanac'
import { cultureStage, cultureWay, cultureWayHere, flushesOf, producingFrom, wayPath } from '../../supply'
import { summarise } from '../../chance'
import { computedInput, entryInput, factInput } from '../../judgement'
import { formatDay, formatDistance, formatRange } from '../../units'
import { subjectAs } from '../guard'
import { cultureTempC } from '../warmth'
import type { Task } from '../contracts'
import { due, tasksOfEach, type TaskMaker } from './taskMaker'

export const cultureTasks: TaskMaker = context =>
  tasksOfEach(
    context,
    Object.values(context.house.cultures),
    subjectAs('culture'),
    (culture, { house, almanac, today }): Task[] => {
      const feeder = feederOf(almanac, culture.feederId)
      const supply = cultureWay(feeder, culture)
      // its numbers are those of the Almanac; when it yields goes by what is counted apart here
      const here = cultureWayHere(feeder, culture, house)
      if (!supply || !here) return []
      const stage = cultureStage(culture, supply, today)
      const base = { subject: { type: 'culture' as const, id: culture.id }, tag: culture.tag, placeId: culture.placeId }
      const out = supply.kind === 'batch' ? supply.outAfterDays : undefined
      if (out && (stage === 'growing' || stage === 'producing') && today - culture.startDay >= out.value)
        return [
          {
            ...base,
            id: `retire:${culture.id}`,
            kind: 'retire',
            due: culture.startDay + Math.round(out.value),
            what: `Out: it is ${today - culture.startDay} days old, and mites come`,
            detail: stage === 'producing' ? 'shake off what is left first' : 'it never produced',
            actions: [{ label: 'Retired', kind: 'cultureFinished', data: {}, tone: 'main' }],
            reasons: [
              {
                rule: 'An old culture breeds mites for the others, whether it still yields or not',
                inputs: [
                  computedInput('Started', formatDay(culture.startDay, today)),
                  factInput('Out after', `${wayPath(feeder, supply)}.outAfterDays.value`, out),
                ],
              },
            ],
          },
        ]
      if (stage === 'growing') {
        const dist = producingFrom(
          culture,
          here,
          cultureTempC(culture, { house, almanac }),
          today,
          almanac.common.unwrittenProducing!.value,
        )
        const when = summarise(dist)
        if (culture.lastLook?.day === today || (when && when.low > today)) return []
        return [
          {
            ...base,
            id: `look:${culture.id}`,
            kind: 'look',
            due: today,
            what: `Look: does this ${feeder.name.toLowerCase()} culture produce?`,
            detail: when ? `expected ${formatRange(when)}` : 'overdue past all experience',
            actions: [
              { label: 'Producing', kind: 'producing', data: {}, tone: 'main' },
              { label: 'Not yet', kind: 'cultureLooked', data: {} },
              { label: 'Failed', kind: 'cultureFailed', data: {} },
            ],
            reasons: [
              {
                rule: 'Time from start to the first yield at the temperature of its place, given that it had not by today',
                inputs: [
                  computedInput('Started', formatDay(culture.startDay, today)),
                  ...culture.signs.map(s => computedInput(`Seen ${formatDistance(s.day, today)}`, s.furthest)),
                  ...(supply.kind === 'batch'
                    ? [factInput('Reference temperature', `${wayPath(feeder, supply)}.atTempC.value`, supply.atTempC)]
                    : []),
                ],
                change: 'What is seen in it; a warmer shelf brings it forward',
              },
            ],
          },
        ]
      }
      if (stage === 'spent') {
        return [
          {
            ...base,
            id: `retire:${culture.id}`,
            kind: 'retire',
            due: today,
            what: `Retire: its ${supply.kind === 'batch' ? supply.producingDays.value : ''} days of yield are over`,
            actions: [{ label: 'Retired', kind: 'cultureFinished', data: {}, tone: 'main' }],
            reasons: [
              {
                rule: 'A batch runs once',
                inputs:
                  supply.kind === 'batch'
                    ? [
                        factInput(
                          'Producing span',
                          `${wayPath(feeder, supply)}.producingDays.value`,
                          supply.producingDays,
                        ),
                        entryInput('Producing since', formatDay(culture.producing!.day, today), culture.producing!),
                      ]
                    : [],
              },
            ],
          },
        ]
      }
      if (stage !== 'producing' || supply.kind !== 'batch') return []
      const every = almanac.common.harvestEvery!
      const last = culture.lastHarvest?.day ?? culture.producing!.day - every.value
      if (!due(last + every.value, today)) return []
      const age = today - culture.producing!.day
      if (!flushesOf(supply).some(f => age >= f.from && age < f.from + f.span)) return []
      return [
        {
          ...base,
          id: `harvest:${culture.id}`,
          kind: 'harvest',
          due: last + every.value,
          what: `Harvest ${feeder.many}`,
          detail: culture.lastHarvest ? `last ${formatDistance(last, today)}` : 'first harvest',
          actions: [
            { label: 'Harvested', kind: 'harvested', data: { count: 0 }, tone: 'main' },
            { label: 'Failed', kind: 'cultureFailed', data: {} },
          ],
          reasons: [
            {
              rule: 'Harvested so often while it produces',
              inputs: [
                factInput('Every', 'common.harvestEvery.value', every),
                entryInput('Producing since', formatDay(culture.producing!.day, today), culture.producing!),
              ],
            },
          ],
        },
      ]
    },
  )
