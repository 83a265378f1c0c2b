import { warmingDays, warmingSteps } from '../../brumation'
import type { Task } from '../contracts'
import { warmUpOf } from '../winter'
import { about } from './about'
import { LABELS, tellWarming, type WarmingStep } from './warmingWording'
import { due, tasksOfEach, type TaskMaker } from './taskMaker'

/** A step that nobody wrote is asked for so many days more. */
const STILL_TOLD = 3

/** The steps of warming up, where the house warms in steps. */
export const warmingTasks: TaskMaker = context =>
  tasksOfEach(
    context,
    context.winter.recovering,
    r => ({ type: 'animal', id: r.animalId }),
    ({ animalId, warmedDay }): Task[] => {
      const { house, almanac, settings, today } = context
      const animal = house.animals[animalId]!
      const warmUp = warmUpOf(animal, context)
      const days = warmingDays(almanac, warmUp)
      if (warmUp !== 'steps' || today - warmedDay > days + STILL_TOLD) return []
      const { thenC, thenAfter } = warmingSteps(almanac)
      const steps: WarmingStep[] = [
        { after: thenAfter, toC: thenC },
        { after: days, toC: null },
      ]
      const step = steps.filter(s => due(warmedDay + s.after, today)).at(-1)
      if (!step || (animal.lastCheck && animal.lastCheck.day >= warmedDay + step.after)) return []
      return [
        {
          ...about(animal),
          id: `warm:${animal.id}`,
          kind: 'winter',
          due: warmedDay + step.after,
          actions: [{ label: LABELS.moved, kind: 'checked', data: { well: true }, tone: 'main' }],
          ...tellWarming({ step, warmed: animal.warmed!, warmedDay, days }, almanac, settings.tempUnit, today),
        },
      ]
    },
  )
