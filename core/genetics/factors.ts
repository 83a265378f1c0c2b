/** A table over some variables, the last one running fastest. */
export interface Factor {
  vars: readonly number[]
  table: Float64Array
}

/** Larger tables than this are not built: the neighbourhood is cut instead. */
const MOST_CELLS = 400_000

export class TooManyRelatives extends Error {
  override name = 'TooManyRelatives'
}

/** Sums one variable out of the product of the factors that speak of it. Every variable has `size` values. */
function sumOut(v: number, factors: readonly Factor[], size: number): Factor {
  const vars = [...new Set(factors.flatMap(f => f.vars))].filter(x => x !== v).sort((a, b) => a - b)
  const cells = size ** vars.length
  if (cells * size > MOST_CELLS) throw new TooManyRelatives('The family is too entangled')
  const table = new Float64Array(cells)
  // how far each factor's cell moves when one variable goes up by one
  const order = [...vars, v]
  const strides = factors.map(f =>
    order.map(x => {
      const at = f.vars.indexOf(x)
      return at < 0 ? 0 : size ** (f.vars.length - 1 - at)
    }),
  )
  const value = new Int32Array(order.length)
  const offset = new Int32Array(factors.length)
  for (let cell = 0; cell < cells; cell++) {
    let sum = 0
    for (let x = 0; x < size; x++) {
      let product = 1
      for (let i = 0; i < factors.length && product !== 0; i++)
        product *= factors[i]!.table[offset[i]! + x * strides[i]![order.length - 1]!]!
      sum += product
    }
    table[cell] = sum
    for (let k = vars.length - 1; k >= 0; k--) {
      value[k]!++
      const back = value[k] === size
      for (let i = 0; i < factors.length; i++) offset[i]! += strides[i]![k]! * (back ? 1 - size : 1)
      if (!back) break
      value[k] = 0
    }
  }
  // kept near 1, so that hundreds of relatives do not underflow
  const top = table.reduce((a, b) => Math.max(a, b), 0)
  if (top > 0) for (let i = 0; i < cells; i++) table[i]! /= top
  return { vars, table }
}

/**
 * The weights of one variable given all factors: exact variable elimination, the variable with the fewest neighbours
 * first (Zhang & Poole 1994; on pedigrees the same sums as peeling, Elston & Stewart 1971).
 * @throws TooManyRelatives when a table would grow too large
 */
export function marginal(of: number, factors: readonly Factor[], size: number): number[] {
  const speaking = new Map<number, Set<Factor>>()
  const loose: Factor[] = []
  const add = (f: Factor) => {
    if (!f.vars.length) loose.push(f)
    for (const v of f.vars) {
      const list = speaking.get(v)
      if (list) list.add(f)
      else speaking.set(v, new Set([f]))
    }
  }
  for (const f of factors) add(f)
  const nearOf = (v: number) => {
    const near = new Set<number>()
    for (const f of speaking.get(v)!) for (const x of f.vars) near.add(x)
    return near
  }
  const degree = new Map<number, number>()
  for (const v of speaking.keys()) if (v !== of) degree.set(v, nearOf(v).size)
  while (degree.size) {
    let best = -1
    let fewest = Infinity
    for (const [v, n] of degree) {
      if (n < fewest) [best, fewest] = [v, n]
      if (fewest <= 2) break
    }
    const mine = [...speaking.get(best)!]
    const near = nearOf(best)
    for (const f of mine) for (const v of f.vars) speaking.get(v)!.delete(f)
    speaking.delete(best)
    degree.delete(best)
    add(sumOut(best, mine, size))
    for (const v of near) if (degree.has(v)) degree.set(v, nearOf(v).size)
  }
  const weights = new Array<number>(size).fill(1)
  for (const f of speaking.get(of) ?? []) for (let x = 0; x < size; x++) weights[x]! *= f.table[x]!
  // a factor without variables that came to nothing says that the evidence contradicts itself
  return loose.some(f => !(f.table[0]! > 0)) ? weights.map(() => 0) : weights
}
