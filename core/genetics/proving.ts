import { GeneticsError } from './locus'

export interface Proof {
  /** Young without the look until a carrier would have shown it with this certainty, whatever was thought before. */
  toDetect: number
  /** Young without the look until the chance that it carries is at most 1 − level, from the chance it has now. */
  toDisprove: number
}

/**
 * How many young without the look it takes to say that an animal does not carry.
 * @param prior chance that it carries now, 0..1
 * @param shows chance that a young of a carrier shows it: ½ with a mate that shows it, ¼ with a carrier
 * @param level certainty wished, e.g. 0.95
 * Source: the detection 1 − (1 − s)ⁿ of test matings in textbooks of animal breeding; then Bayes.
 */
export function youngToProve(prior: number, shows: number, level: number): Proof {
  if (!(prior >= 0 && prior <= 1))
    throw new GeneticsError(`A chance lies between 0 and 100 %, not ${Math.round(prior * 100)} %`)
  if (!(shows > 0 && shows < 1))
    throw new GeneticsError('This mate cannot bring it out: its young of a carrier never show it')
  const each = Math.log1p(-shows)
  const least = (x: number) => Math.max(0, Math.ceil(x - 1e-9))
  const toDetect = least(Math.log(1 - level) / each)
  // prior·(1−s)ⁿ / (prior·(1−s)ⁿ + 1 − prior) ≤ 1 − level
  const toDisprove =
    prior >= 1
      ? Infinity
      : prior <= 1 - level
        ? 0
        : least(Math.log(((1 - level) * (1 - prior)) / (level * prior)) / each)
  return { toDetect, toDisprove }
}

/** Chance that it still carries after n young without the look. */
export function carriesAfter(prior: number, shows: number, n: number): number {
  const missed = prior * (1 - shows) ** n
  return missed === 0 ? 0 : missed / (missed + 1 - prior)
}
