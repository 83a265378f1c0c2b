import type { ColdAction } from '../../brumation'
import { lowerFirst } from '../../units'
import type { Told } from './told'

export interface InTheCold {
  tag: string
  action: Extract<ColdAction, 'takeOut' | 'offerWater'>
  /** What the judgement of the cold says of it. */
  verdict: string
}

const ADVICE: Record<InTheCold['action'], string> = {
  takeOut: 'Take it out and warm it today; a loss this quick is mostly water or illness, so see the vet.',
  offerWater: 'Offer water, raise humidity, look at breath and skin, weigh again in a week.',
}

export const tellCold = ({ tag, action, verdict }: InTheCold): Omit<Told, 'reasons'> => ({
  text: `${tag}, in the cold: ${lowerFirst(verdict)}`,
  todo: ADVICE[action],
})
