import type { Supply } from '../schema'
import { memory, memorySpread, practice } from './marks'

const packs = (unit: string, count: number, lead: number, keep: number): Supply => ({
  kind: 'bought',
  unit,
  packCount: memory(count, 'each'),
  leadDays: practice(lead, 'days'),
  keepDays: memory(keep, 'days'),
})
/** A culture that is about to yield, by post; a few days of it are lost on the way. */
const producing = (unit: string, span: number, total: number, what: string, keep: number): Supply => ({
  kind: 'batch',
  unit,
  boughtProducing: true,
  toProducing: memorySpread(2, 3, 6),
  atTempC: practice(24, '°C'),
  baseTempC: memory(11, '°C'),
  producingDays: memory(span, 'days'),
  yieldTotal: memory(total, what),
  failure: memory(0.08, 'share'),
  keepDays: memory(keep, 'days'),
})
/** The cup that is usual, kept on for what its first flies or beetles lay in it. */
const twice = (
  way: Supply,
  { after, lasts, share, out }: { after: number; lasts: number; share: number; out: number },
): Supply => {
  if (way.kind !== 'batch') return way
  const { producingDays, yieldTotal } = way
  return {
    ...way,
    unit: `${way.unit} for two flushes`,
    producingDays: memory(after + lasts, 'days', 'Both flushes'),
    yieldTotal: memory(Math.round(yieldTotal.value / (1 - share)), yieldTotal.unit, 'Both flushes'),
    secondFlush: {
      firstDays: { ...producingDays },
      afterDays: memory(after, 'days', 'One generation'),
      share: memory(share, 'share', 'The medium is mostly used up'),
    },
    outAfterDays: memory(out, 'days', 'Mites come in more of them: kept apart from the others'),
  }
}
const colony = (
  unit: string,
  toProducing: [number, number, number],
  perDay: number,
  what: string,
  keep: number,
): Supply => ({
  kind: 'colony',
  unit,
  toProducing: memorySpread(...toProducing),
  yieldPerDay: memory(perDay, what),
  failure: memory(0.05, 'share'),
  keepDays: memory(keep, 'days'),
})
const gathered = (unit: string, count: number, keep: number): Supply => ({
  kind: 'bought',
  unit,
  gathered: true,
  packCount: memory(count, 'each'),
  leadDays: memory(1, 'days'),
  keepDays: memory(keep, 'days'),
})

/** Further ways in which feeders come, beside the usual one. */
export const otherWays: Readonly<Record<string, Supply[]>> = {
  'fly.small': [producing('cup', 10, 700, 'flies', 4)],
  'fly.large': [producing('cup', 10, 450, 'flies', 4)],
  'roach.nymph': [packs('tub of 50', 50, 2, 60)],
  'redRunner': [packs('tub of 200', 200, 2, 30)],
  'mealworm': [colony('tub', [80, 110, 160], 15, 'mealworms a day', 42)],
  'superworm': [colony('tub', [120, 160, 220], 5, 'superworms a day', 60)],
  'cricket.pinhead': [colony('box', [50, 60, 80], 60, 'pinheads a day', 4)],
  'waxworm': [colony('jar', [50, 60, 80], 6, 'waxworms a day', 10)],
  'mouse.pinky': [colony('rack', [40, 50, 70], 1.5, 'pinkies a day', 120)],
  'rat.pup': [colony('rack', [60, 75, 100], 0.8, 'pups a day', 120)],
  'springtail': [packs('culture of 500', 500, 3, 10)],
  'isopod.dwarf': [packs('tub of 50', 50, 3, 20)],
  'isopod.large': [packs('tub of 25', 25, 3, 40)],
  'redWorm': [packs('tub of 100', 100, 2, 30)],
  'nightcrawler': [packs('tub of 25', 25, 2, 30), gathered('walk', 15, 20)],
}

/** Further ways that are the usual one, used otherwise. */
export const waysOfUse = (id: string, usual: Supply): Supply[] => (TWICE[id] ? [twice(usual, TWICE[id]!)] : [])
const TWICE: Readonly<Record<string, Parameters<typeof twice>[1]>> = {
  'fly.small': { after: 14, lasts: 14, share: 0.25, out: 45 },
  'fly.large': { after: 20, lasts: 14, share: 0.25, out: 60 },
  'beanBeetle': { after: 27, lasts: 16, share: 0.35, out: 85 },
}
