const NAMES: Record<string, string> = {
  latin: 'Latin name',
  one: 'what one is called',
  many: 'what several are called',
  ladder: 'feeding ladder',
  cold: 'winter',
  winter: 'whether it winters',
  mating: 'pairing',
  sexing: 'sexes',
  nextClutch: 'next clutch',
  clutchSize: 'clutch size',
  matureDays: 'maturity',
  adultMassG: 'adult weight',
  youngMassG: 'weight of young',
  hatchRate: 'hatch rate',
  larvalSurvival: 'tadpoles that turn',
  sexByTemperature: 'sex by temperature',
  shellMass: 'mass for its length',
  survival90: 'survival',
  keptDays: 'days kept',
  eats: 'what it eats',
  weighEveryDays: 'weighing',
  massG: 'weight of one',
  otherWays: 'other ways to get it',
}

/** A part of a species or feeder, as it stands in a sentence. */
export const partWords = (part: string): string => NAMES[part] ?? part
