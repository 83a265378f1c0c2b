import { COLD_ACTION_WORDS, type ColdAction, type ColdVerdict } from '../../brumation'
import type { Judgement, Reason } from '../../judgement'
import type { Told } from './told'

export const LABELS = {
  takenOut: 'Taken out',
  watered: 'Water offered',
  restEnded: 'Rest ended',
  warmedUp: 'Warmed up',
} as const

type Trouble = Extract<ColdAction, 'takeOut' | 'offerWater'>

const CAUTION: Record<Trouble, string> = {
  takeOut: 'Warm it as its species is warmed, water first. A loss this quick is mostly water or illness: see the vet.',
  offerWater: 'Water it can reach without drowning; look for noisy breath and discharge.',
}

export const tellTrouble = (action: Trouble, { value, reasons }: Judgement<ColdVerdict>): Told => ({
  what: COLD_ACTION_WORDS[action],
  detail: value.text,
  caution: CAUTION[action],
  reasons,
})

export interface Waking {
  rests: boolean
  /** Tags of those it shares a tub with. */
  apart: readonly string[]
  /** Of its programme. */
  reasons: Reason[]
}

export const tellWake = ({ rests, apart, reasons }: Waking): Told => ({
  what: rests ? 'End its rest' : 'Warm up',
  detail: apart.length ? `separate from ${apart.join(', ')} today` : undefined,
  ...(apart.length && { caution: 'Everything that shared a tub is separated the day it warms.' }),
  reasons,
})
