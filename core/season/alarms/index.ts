import { livingAnimals, type AnimalState, type Subject } from '../../subjects'
import { eggTempOf } from '../breeding'
import type { Alarm, PlaceView } from '../contracts'
import { eachGuarded, guarded, subjectAs } from '../guard'
import { pairingsOf } from '../indexes'
import { refusalOf, usualFast } from '../eating'
import { remembering } from '../remember'
import { gravidIn } from '../winter'
import type { TaskContext } from '../tasks'
import { broughtUpAlarm } from './broughtUp'
import { chainAlarm } from './chain'
import { coldAlarm } from './cold'
import { coldPlaceAlarms } from './coldPlace'
import { companyAlarms } from './company'
import { cultureAlarm } from './culture'
import { eggPlaceAlarms } from './eggPlace'
import { groupEatsAlarm, groupLossAlarm, missingAlarm } from './group'
import { hatchCompanyAlarms } from './hatchCompany'
import { incubationHeatAlarm } from './incubationHeat'
import { lampAlarm, thermostatAlarm } from './lamp'
import { lossesAlarm } from './losses'
import { overdueAlarm } from './overdue'
import { placeAlarms } from './place'
import { refusalAlarm } from './refusal'
import { sexAlarm } from './sex'
import { unwellAlarm } from './unwell'
import { weightLossAlarm } from './weightLoss'

/** Harm before what only needs watching; otherwise as they came. */
export const harmFirst = (alarms: readonly Alarm[]): Alarm[] =>
  [...alarms].sort((a, b) => (a.level === b.level ? 0 : a.level === 'harm' ? -1 : 1))

const ofAnimal = remembering<AnimalState, (Alarm | null)[]>()

const subjectOfPlace = (view: PlaceView): Subject => ({ type: 'place', id: view.placeId })

/** What is going wrong, harm first. */
export function alarmsOf(context: TaskContext): Alarm[] {
  const { house, almanac, settings, today, lanes, winter, places } = context
  const alarms: Alarm[] = []
  const gravid = gravidIn(lanes, context)
  const of = <Of>(items: readonly Of[], subjectOf: (item: Of) => Subject, make: (item: Of) => (Alarm | null)[]) => {
    for (const made of eachGuarded(context, 'its alarms', items, subjectOf, make))
      for (const alarm of made) if (alarm) alarms.push(alarm)
  }
  of(
    winter.cold,
    c => ({ type: 'animal', id: c.animalId }),
    c => [coldAlarm(c)],
  )
  for (const place of winter.places)
    alarms.push(...(guarded(context, 'alarms of a cold place', null, () => coldPlaceAlarms(place, context)) ?? []))
  alarms.push(...(guarded(context, 'alarms of eggs by their readings', null, () => eggPlaceAlarms(context)) ?? []))
  alarms.push(...(guarded(context, 'alarms of company', null, () => companyAlarms(context)) ?? []))
  of(places, subjectOfPlace, view => placeAlarms(view, context))
  alarms.push(...(guarded(context, 'alarms of eggs among animals', null, () => hatchCompanyAlarms(context)) ?? []))
  of(livingAnimals(house), subjectAs('animal'), animal => {
    const carries = gravid.get(animal.id) ?? false
    const fasts = animal.refusals ? usualFast(animal, carries, context) : null
    return ofAnimal(
      context,
      animal,
      [almanac, settings.sexCertainty, today, eggTempOf(animal, context), fasts, ...pairingsOf(house, animal.id)],
      () => [
        refusalAlarm(animal, refusalOf(animal, carries, context), almanac.common),
        unwellAlarm(animal, today),
        broughtUpAlarm(animal, context),
        weightLossAlarm(animal, context),
        animal.sexEvidence.length ? sexAlarm(animal, context) : null,
      ],
    )
  })
  of(Object.values(house.groups), subjectAs('group'), group => [
    missingAlarm(group, context),
    groupLossAlarm(group, context),
    groupEatsAlarm(group, context),
  ])
  of(
    Object.values(house.clutches).filter(c => c.hatched.length),
    subjectAs('clutch'),
    clutch => [lossesAlarm(clutch, context)],
  )
  of(
    lanes,
    l => l.subject,
    lane => [incubationHeatAlarm(lane), overdueAlarm(lane, almanac)],
  )
  of(Object.values(house.cultures), subjectAs('culture'), culture => [cultureAlarm(culture, almanac, today)])
  of(
    context.prey,
    look => ({ type: 'prey', id: look.prey }),
    look => [chainAlarm(look, context)],
  )
  of(Object.values(house.lamps), subjectAs('lamp'), lamp => [lampAlarm(lamp, context), thermostatAlarm(lamp)])
  return harmFirst(alarms)
}
