import type { Cold, Spread } from '../schema'
import { memory, practice, practiceSpread } from './marks'

type Own = Pick<Cold, 'lowC' | 'highC' | 'holdC' | 'weeks'> & Partial<Cold>

/** What the winters of most species have in common; a species names what differs. */
function winter(own: Own): Cold {
  return {
    floorC: memory(Math.min(7, own.lowC.value), '°C'),
    ceilingC: memory(own.highC.value + 3, '°C'),
    warmC: practice(27, '°C'),
    gutClearDays: practiceSpread(10, 12, 14),
    baths: false,
    stepDownDays: memory(5, 'days'),
    lightHours: practice(0, 'hours', 'dark hold'),
    minAgeDays: practice(300, 'days', 'hatchlings of the year are usually kept up'),
    watchLoss: practice(0.06, 'share'),
    takeOutLoss: practice(0.1, 'share'),
    loss: { by: 'squamate' },
    weighingNoise: memory(0.006, 'share'),
    company: 'sameSex',
    sizeRatio: memory(1.4, '× the smaller'),
    firstMeal: { ...practiceSpread(0, 2, 12), mark: 'memory' },
    firstShed: { ...practiceSpread(12, 22, 40), mark: 'memory' },
    regainPerDay: { ...practiceSpread(0.002, 0.005, 0.012, 'share a day'), mark: 'memory' },
    ...own,
  }
}

const colubridWeeks: Spread = practiceSpread(8, 11, 13, 'weeks')

export const colubridCold = winter({
  lowC: practice(10, '°C'),
  highC: practice(15, '°C'),
  holdC: practice(12, '°C'),
  weeks: colubridWeeks,
})
/** Kings and milks eat snakes: each lies alone. */
export const snakeEaterCold: Cold = { ...colubridCold, company: 'never' }

export const lizardCold = (weeks: Spread) =>
  winter({
    lowC: practice(10, '°C'),
    highC: practice(16, '°C'),
    holdC: practice(12, '°C'),
    weeks,
    warmC: practice(28, '°C'),
  })

export const testudoCold = winter({
  lowC: practice(4, '°C'),
  highC: practice(6, '°C'),
  holdC: practice(5, '°C'),
  floorC: practice(2, '°C', 'never under'),
  ceilingC: practice(9, '°C', 'never long over'),
  weeks: practiceSpread(8, 14, 18, 'weeks'),
  warmC: practice(26, '°C'),
  gutClearDays: practiceSpread(14, 21, 28),
  baths: true,
  stepDownDays: memory(10, 'days'),
  minAgeDays: memory(330, 'days'),
  watchLoss: memory(0.05, 'share'),
  takeOutLoss: practice(0.08, 'share', '8–10 %'),
  loss: { by: 'month', share: practice(0.01, 'share', 'about 1 % a month') },
})

export const toadCold = winter({
  lowC: practice(5, '°C'),
  highC: practice(12, '°C'),
  holdC: memory(8, '°C'),
  floorC: memory(2, '°C'),
  weeks: { ...practiceSpread(6, 9, 12, 'weeks'), mark: 'memory' },
  warmC: memory(22, '°C'),
  gutClearDays: { ...practiceSpread(7, 9, 12), mark: 'memory' },
  minAgeDays: memory(300, 'days'),
  loss: { by: 'month', share: memory(0.02, 'share') },
  weighingNoise: memory(0.02, 'share', 'a toad carries its water'),
})

const gutRest: Spread = { ...practiceSpread(1, 2, 4), mark: 'memory' }

export const restOf = (
  dayC: number,
  nightC: number,
  foodShare: number,
  dry: boolean,
  weeks: Spread,
  warmC: number,
): Cold =>
  winter({
    lowC: memory(dayC - 3, '°C'),
    highC: memory(dayC + 2, '°C'),
    holdC: memory(dayC, '°C'),
    floorC: memory(nightC - 3, '°C'),
    weeks,
    warmC: memory(warmC, '°C'),
    gutClearDays: gutRest,
    stepDownDays: memory(7, 'days'),
    lightHours: memory(10, 'hours'),
    rest: {
      nightC: memory(nightC, '°C'),
      foodShare: memory(foodShare, 'share'),
      dry,
      maleBeforeEndDays: practice(7, 'days'),
    },
  })

export const geckoRest = restOf(25, 21, 0.4, false, { ...practiceSpread(6, 8, 10, 'weeks'), mark: 'memory' }, 29)
export const boaRest = restOf(26, 22, 0.4, false, { ...practiceSpread(6, 8, 12, 'weeks'), mark: 'memory' }, 29)
/** Cool and short days, as the lizards of mild winters have them. */
export const anoleRest = restOf(18, 12, 0.4, false, { ...practiceSpread(6, 8, 10, 'weeks'), mark: 'memory' }, 27)
export const frogDrySeason: Cold = {
  ...restOf(20, 16, 0.6, true, { ...practiceSpread(6, 9, 12, 'weeks'), mark: 'memory' }, 23),
  weighingNoise: memory(0.03, 'share'),
  loss: { by: 'month', share: memory(0.02, 'share') },
}
