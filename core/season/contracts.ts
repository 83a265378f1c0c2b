import type { BreedingEvent } from '../almanac'
import type { Band, ColdTrouble, ColdVerdict, Eligibility, LossPoint, Programme, Recovery } from '../brumation'
import type { Day, DayDist, DaySummary } from '../chance'
import type { Channel, Zone } from '../channels'
import type { ClimateDay, SeriesTrouble, SpanWatch } from '../climate'
import type { HomeNeed } from '../homes'
import type { CareLine } from '../jobs'
import type { Judgement, Reason } from '../judgement'
import type { HomeSize, Subject } from '../subjects'
import type { EventForecast, LoadVerdict, Unvisited, Visit } from '../pairing'
import type { MouthSource } from '../nursery'
import type { StandingLot } from '../supply'

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
  /** What the entry brings into being, where it does. */
  founds?: 'clutch'
  data: Record<string, unknown>
  /** When it is about something else than the task: a look at the dam, not at the pair. */
  subject?: Subject
  /** The same entry is written of each of these. */
  each?: Subject[]
  /** A number to be asked for: field of the data, its label and unit. */
  ask?: { field: string; label: string; unit?: 'mass'; likely?: number }
  /** Further entries of the same kind that belong to the same act: the other prey of a mixed meal. */
  also?: Record<string, unknown>[]
  /** Further entries of other kinds that belong to the same act; a number that is asked for is theirs too. */
  with?: { kind: string; subject: Subject; data: Record<string, unknown> }[]
  /** When one tap writes several entries: cups to start. */
  times?: number
  tone?: 'main' | 'plain'
  /** Beside the usual answer: what there is today in its place, in words. */
  instead?: string
}

export interface Task {
  id: string
  kind: string
  subject: Subject
  tag: string
  what: string
  detail?: string
  /** A matter of its own: never gathered with its siblings. */
  alone?: true
  placeId: string | null
  due: Day
  /** Of a meal: days to the next one. */
  everyDays?: number
  /** Prey of it of which there is not enough for all today. */
  short?: { prey: string; there: number; wanted: number }[]
  actions: TaskAction[]
  caution?: string
  /** What is minded of the animal before its door is opened. */
  mind?: string
  reasons: Reason[]
}

export interface Alarm {
  id: string
  level: 'watch' | 'harm'
  text: string
  todo: string
  subject: Subject | null
  reasons: Reason[]
  /** The keeper may say why it may be silent until it is over. */
  answerable?: true
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
  /** The deliveries among it: when they come, if they do. */
  arriving: { comes: DayDist; count: number }[]
  stock: number
  /** Warmth of where it is kept, °C; none where that was not said, or nothing is known of the place. */
  tempC?: number
  /** Of what is bought: its lots, the first to be used first. */
  lots: StandingLot[]
  /** What colonies of which it is known how they grow give a day for good, by culture. */
  colonies: Record<string, number>
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
  places: PlaceView[]
  homes: HomesOutlook
  /** Care of places that is due today, in walking order. */
  care: CareLine[]
}

/** A home that is too small for who lives there, or will be. */
export interface HomeView {
  placeId: string
  /** Animals, and groups without tags. */
  animalIds: string[]
  /** How many live there. */
  count: number
  size: HomeSize
  /** What they need today, and at the end of the days looked ahead. */
  need: HomeNeed
  later: HomeNeed
  /** Days on which it becomes too small: 80 % range and middle; null beyond the days looked ahead. */
  low: Day | null
  mid: Day | null
  high: Day | null
  /** Free homes that are large enough to the end of the days looked ahead, the smallest first: the first of them. */
  fits: string[]
  fitting: number
  reasons: Reason[]
}

/** Young that come and want homes. */
export interface YoungHomes {
  id: string
  laneId: string
  label: string
  speciesId: string
  count: number
  on: DaySummary
  /** Homes that they want: as many as there are young, or one for all. */
  homes: number
  need: HomeNeed
  /** Homes that are free and large enough, after those that come before have had theirs. */
  free: number
}

export interface HomesOutlook {
  outgrown: HomeView[]
  young: YoungHomes[]
  /** Homes that are lived in, and of whose size nothing is said. */
  unsized: string[]
}

/** What is wrong with a place, and what the keeper has said to it. */
export interface PlaceTrouble extends SeriesTrouble {
  id: string
  /** Read by hand, not by a probe. */
  byHand: boolean
  /** Why it may be silent; null while nobody has answered. */
  answered: string | null
}

/** An end that is null does not bind. */
export interface ShownLimits {
  low: number | null
  high: number | null
}

/** One row of readings of a place, against what those who live there need. */
export interface SeriesView {
  channel: Channel
  zone: Zone
  /** `at` in milliseconds since 1970. */
  latest: { at: number; value: number; byHand: boolean } | null
  light: ShownLimits | null
  dark: ShownLimits | null
  /** Two species of which one needs what is too much for the other. */
  conflict: string[] | null
  days: ClimateDay[]
  /** Share of the hours of the last day that were read. */
  readShare: number
  troubles: PlaceTrouble[]
  reasons: Reason[]
}

export interface PlaceView {
  placeId: string
  series: SeriesView[]
}

/** Those who eat one prey and are denied the same others: what may stand for it is the same for all of them. */
export interface EatersNeed {
  never: readonly string[]
  /** Mean pieces of the prey on each day. */
  mean: Float64Array
  /** All those pieces, and the whole meals of one mouth that they come to. */
  pieces: number
  meals: number
  /** Most of it that is to be of one kind, 0..1; 1 where one prey is given as long as there is enough of it. */
  mostOfOne: number
  /** So much of it is to be that prey itself, 0..1, whatever may stand for it. */
  leastOwn: number
}

/** Need drawn per scenario, for simulation; kept apart from the season since it is large. */
export interface Scenarios {
  count: number
  /** Who eats a prey, by what else they may be given. */
  eaters: (prey: string) => EatersNeed[]
  /** Need of one prey, scenario-major: index = scenario · days + day. */
  need: (prey: string) => Float64Array
}

/** One animal in the cold, ready to be drawn. */
export interface ColdAnimal {
  animalId: string
  tag: string
  speciesId: string
  placeId: string | null
  coldPlaceId: string | null
  groupId: string | null
  kind: Programme['kind']
  cooledDay: Day
  wakeDay: Day
  points: LossPoint[]
  startLate: boolean
  lost: number | null
  slopePerWeek: number | null
  band: { day: Day; low: number; mid: number; high: number }[]
  /** Loss that is usual: least (burnt) and most (watch limit at the planned waking) on a day. */
  usual: { day: Day; low: number; high: number }[]
  atWake: { mid: number; low: number; high: number } | null
  limits: { watch: number; takeOut: number }
  /**
   * Days on which it crosses its limits: middle, 80 % range, and the chance that it does not within the days looked
   * ahead.
   */
  watchOn: DaySummary | null
  outOn: DaySummary | null
  /**
   * First day by which it has more likely than not passed the limit to take it out; null when that lies beyond the
   * winter.
   */
  limitDay: Day | null
  metabolicShare: number
  waterShare: number
  verdict: Judgement<ColdVerdict>
}

export interface ColdPlaceView {
  placeId: string
  name: string
  capacity: number | null
  setC: number | null
  animalIds: string[]
  band: Band | null
  watch: SpanWatch | null
  /** Temperature by calendar day of the house. */
  days: ClimateDay[]
  troubles: { kind: ColdTrouble; level: 'harm' | 'watch'; hours: number; tempC: number | null }[]
  /** How band and watch come about. */
  reasons: Reason[]
}

export interface WinterGroupView {
  groupId: string
  tag: string
  speciesId: string
  placeId: string | null
  programme: Programme
  members: {
    animalId: string
    tag: string
    eligibility: Judgement<Eligibility> | null
    state: 'awake' | 'cold' | 'warmed' | 'gone'
  }[]
}

export interface RecoveringAnimal {
  animalId: string
  tag: string
  speciesId: string
  warmedDay: Day
  recovery: Recovery
  readiness: { dist: DayDist; since: Day | null; waitsFor: string[]; schoolName: string; reasons: Reason[] }
}

export interface WinterOutlook {
  cold: ColdAnimal[]
  places: ColdPlaceView[]
  groups: WinterGroupView[]
  recovering: RecoveringAnimal[]
}

/** What is due with one female, as the Pairing screen shows it. */
export interface DueWithHer {
  pairingId: string
  tag: string
  damId: string
  sireId: string | null
  speciesId: string
  stage: Lane['stage']
  /** The next sign expected, with its spread. */
  next: { event: string; when: DaySummary; reasons: Reason[] } | null
  /** Laying or birth, when it is not the next. */
  birth: { event: string; when: DaySummary; reasons: Reason[] } | null
  load: Judgement<LoadVerdict> | null
  locks: number
  together: boolean
  visit: Visit | null
  /** Why she gets no visit though one is wanted, or null. */
  unvisited: { why: string; reasons: Reason[] } | null
}

export interface BreedingOutlook {
  rota: Visit[]
  /** Pairs that want a visit and get none, with the reason. */
  unvisited: Unvisited[]
  due: DueWithHer[]
}
