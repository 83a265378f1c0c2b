import { speciesOf } from '../../almanac'
import { certain, convolve, pert, summarise, type Day, type DaySummary } from '../../chance'
import { formatDifference } from '../../channels'
import { daysAt, fitThermalTime } from '../../incubation'
import { computedInput, computedTemp, factInput, type Reason } from '../../judgement'
import { femaleShareAt } from '../../sexing'
import type { ClutchState } from '../../subjects'
import type { SeasonContext } from '../context'
import { eggTempC, eggWarmth } from '../warmth'
import { eggPhase } from './clock'
import { hatchPace } from './pace'

type Asked = Pick<SeasonContext, 'house' | 'almanac' | 'settings' | 'today' | 'memory'>

/** What comes of a temperature, kept from today on. */
export interface AtSetting {
  tempC: number
  hatch: DaySummary
  /** Share of females; null where warmth does not set the sex. */
  female: number | null
  /** Why it is not advised; null for one within the table. */
  risk: string | null
}

export interface SettingChoice {
  settings: AtSetting[]
  /** Share of development that is over. */
  done: number
  /** What is left of it, in times of the whole time of the table: slow eggs have more. */
  left: number
  /** From the lowest to the highest that is advised, °C. */
  safe: { lowC: number; highC: number }
  reasons: Reason[]
}

const STEP_C = 0.5
/** A table of more degrees than this is told by whole ones. */
const FINE_WITHIN_C = 3
/** A lower or higher one than the table knows is shown, with what it risks. */
const BEYOND_C = 1

/** Share of the development of a clutch that is over by today, 0..1: by its readings, else by what is written. */
export function doneOf(clutch: ClutchState, context: Asked): number | null {
  const { incubation } = speciesOf(context.almanac, clutch.speciesId)
  if (clutch.kind !== 'eggs' || !incubation) return null
  const phase = eggPhase(clutch, context)
  if (phase?.phase) return 0
  const warmth = eggWarmth(clutch, context)
  if (warmth) return warmth.done
  const since = phase?.since ?? clutch.startDay
  const days = daysAt(fitThermalTime(incubation.points), eggTempC(clutch, context) ?? incubation.usualTempC.value)
  return Math.max(0, Math.min(1, (context.today - since) / days))
}

/**
 * Hatch, sex and risk of a clutch at each temperature that its box could be set to from today on.
 * @returns null for what is not incubated, or is over
 */
export function settingChoice(clutch: ClutchState, context: Asked): SettingChoice | null {
  const { almanac, today } = context
  const species = speciesOf(almanac, clutch.speciesId)
  const { incubation } = species
  const done = doneOf(clutch, context)
  if (!incubation || done === null || clutch.hatched.length || clutch.ended) return null
  const thermal = fitThermalTime(incubation.points)
  const temps = incubation.points.map(p => p.tempC)
  const kills = incubation.lethalAboveC
  const safe = { lowC: Math.min(...temps), highC: Math.min(Math.max(...temps), kills.value - STEP_C) }
  const phase = eggPhase(clutch, context)
  const from = phase?.phase ? phase.develops : certain(today)
  const sex = eggWarmth(clutch, context)?.sex
  const share = incubation.spreadShare.value
  const pace = hatchPace(species.id, context)
  const ahead = Math.max(0, pace.times - done)
  const settings: AtSetting[] = []
  const stepC = safe.highC - safe.lowC > FINE_WITHIN_C ? 2 * STEP_C : STEP_C
  for (let tempC = Math.ceil((safe.lowC - BEYOND_C) / stepC) * stepC; tempC <= safe.highC + BEYOND_C; tempC += stepC) {
    if (tempC >= kills.value || tempC <= thermal.baseC) continue
    const whole = daysAt(thermal, tempC)
    const left = whole * ahead
    // clutches differ by a share of their whole time, however little of it is left
    const clock = pert({
      earliest: Math.max(0, Math.round(left - whole * share)),
      likely: Math.round(left),
      latest: Math.round(left + whole * share),
    })
    const over = sex?.over ?? 0
    const equivalent = sex?.pastC == null ? tempC : over * sex.pastC + (1 - over) * tempC
    settings.push({
      tempC,
      hatch: summarise(convolve(from, clock))!,
      female: species.sexByTemperature ? femaleShareAt(species.sexByTemperature, equivalent) : null,
      risk:
        tempC > safe.highC
          ? `over the table, and ${formatDifference('temperature', kills.value - tempC, context.settings.tempUnit)} under what kills`
          : tempC < safe.lowC
            ? 'under the table: slow, and little is known'
            : null,
    })
  }
  return {
    settings,
    done,
    left: ahead,
    safe,
    reasons: [
      {
        rule: 'What is left of development, at the line through the table of the species; the sex by what was and what would be',
        inputs: [
          computedInput('Development over', `${Math.round(done * 100)} %`),
          computedTemp('Stands still at', thermal.baseC),
          ...pace.inputs,
          factInput('Kills above', `species.${species.id}.incubation.lethalAboveC.value`, kills),
          factInput('Spread either side', `species.${species.id}.incubation.spreadShare.value`, incubation.spreadShare),
          ...(sex ? [computedInput('Time that sets the sex, over', `${Math.round(sex.over * 100)} %`)] : []),
        ],
        change: 'Every day, and every hour that is read',
      },
    ],
  }
}

export interface ReadyAt {
  /** The temperature that hatches it about that day, °C; null when none within the safe range does. */
  tempC: number | null
  /** The earliest and the latest day, by the ends of the safe range. */
  earliest: Day
  latest: Day
}

/** The temperature, kept from today on, at which a clutch most likely hatches on a wished day. */
export function settingFor(clutch: ClutchState, wished: Day, context: Asked): ReadyAt | null {
  const choice = settingChoice(clutch, context)
  const { incubation } = speciesOf(context.almanac, clutch.speciesId)
  if (!choice || !incubation) return null
  const thermal = fitThermalTime(incubation.points)
  const phase = eggPhase(clutch, context)
  const from = phase?.phase ? summarise(phase.develops)!.median : context.today
  const dayAt = (tempC: number) => from + Math.round(daysAt(thermal, tempC) * choice.left)
  const [earliest, latest] = [dayAt(choice.safe.highC), dayAt(choice.safe.lowC)]
  const days = wished - from
  const tempC = days > 0 ? thermal.baseC + (thermal.degreeDays * choice.left) / days : null
  const within = tempC !== null && wished >= earliest && wished <= latest
  return { tempC: within ? Math.round(tempC * 10) / 10 : null, earliest, latest }
}
