import type { BreedingEvent } from '../almanac'
import type { Day, DayDist } from '../chance'
import type { Judgement, Reason } from '../judgement'
import type { Subject } from '../subjects'
import type { EventForecast } from '../pairing'
import type { BreedingOutlook } from './breeding'
import type { MouthSource } from '../nursery'
import type { WinterOutlook } from './winter'

/** One lane of the season: a pair, or the eggs, young or tadpoles of one clutch. */
export interface Lane {
  id: string
  kind: 'pair' | 'eggs' | 'litter' | 'spawn'
  subject: Subject
  title: string
  speciesId: string
  stage: Stage
  placeId: string | null
  events: EventForecast[]
  /** Layings after the next, each less sure. */
  later: { event: BreedingEvent; number: number; dist: DayDist; reasons: Reason[] }[]
  /** Young expected or alive, in words and as a number. */
  young: Judgement<number>
  caution?: string
}

/** Stage of life or season; each keeps its colour and sign through the whole app. */
export type Stage = 'cooling' | 'pairing' | 'gravid' | 'egg' | 'hatchling'

/** A button of a task or lane: which entry it writes, and what it must ask first. */
export interface TaskAction {
  label: string
  kind: string
  data: Record<string, unknown>
  /** When it is about something else than the task: a look at the dam, not at the pair. */
  subject?: Subject
  /** A number to be asked for: field of the data, its label and unit. */
  ask?: { field: string; label: string; unit?: 'mass'; likely?: number }
  /** Further entries of the same kind that belong to the same act: the other prey of a mixed meal. */
  also?: Record<string, unknown>[]
  /** When one tap writes several entries: cups to start. */
  times?: number
  tone?: 'main' | 'plain'
}

export interface Task {
  id: string
  kind: string
  subject: Subject
  tag: string
  what: string
  detail?: string
  placeId: string | null
  due: Day
  actions: TaskAction[]
  caution?: string
  reasons: Reason[]
}

export interface Alarm {
  id: string
  level: 'watch' | 'harm'
  text: string
  todo: string
  subject: Subject | null
  reasons: Reason[]
  /** It tells of something that could not be computed. */
  broken?: true
  /** The entry that is likely behind it, which may be taken back; the server adds what it says. */
  suspectId?: string
  suspect?: string
}

/** Need and supply of one prey on each day from today, before any new start. */
export interface PreyOutlook {
  prey: string
  mean: number[]
  /** The chosen quantile of need: what the plan covers. */
  high: number[]
  /** Expected yield of what runs, and deliveries on order. */
  running: number[]
  stock: number
  /** Lanes and animals behind the need, largest first. */
  causes: { id: string; label: string; total: number }[]
  reasons: Reason[]
}

export interface Season {
  today: Day
  /** Days in every row of need, from today on. */
  days: number
  lanes: Lane[]
  mouths: MouthSource[]
  prey: PreyOutlook[]
  tasks: Task[]
  alarms: Alarm[]
  winter: WinterOutlook
  breeding: BreedingOutlook
}

/** Need drawn per scenario, for simulation; kept apart from the season since it is large. */
export interface Scenarios {
  count: number
  /** Need of one prey, scenario-major: index = scenario · days + day. */
  need: (prey: string) => Float64Array
}
