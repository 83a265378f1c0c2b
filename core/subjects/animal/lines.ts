import { of, rule, say, type LineRule, type Read, type Reading } from '../../log'
import { parseNumber, parseQuantity, toBase, unitNamed, UNITS, UnitError } from '../../units'
import { meal } from './meal'

function weight(r: Reading, text: string): Read {
  if (r.known.subject.type !== 'animal') return `${r.known.tag} is not an animal; only animals are weighed here.`
  const compound = /^([\d.,]+)\s*(?:lb|lbs|pounds?)\.?\s+([\d.,]+)\s*(?:oz|ounces?)\.?$/i.exec(text.trim())
  try {
    const massG = compound
      ? toBase(parseQuantity(compound[1]!, 'lb').value, 'lb') + toBase(parseQuantity(compound[2]!, 'oz').value, 'oz')
      : (() => {
          const quantity = parseQuantity(text, r.unit)
          if (UNITS[quantity.unit].dimension !== 'mass')
            throw new UnitError(`${quantity.unit} is not a weight. Write it as: ${r.known.tag} 312 g`)
          return toBase(quantity.value, quantity.unit)
        })()
    const rounded = Number(massG.toFixed(2))
    const named = compound ? 'lb' : (unitNamed(text.replace(/^[\s\d.,/¼½¾⅓⅔⅛+−-]*/, '')) ?? r.unit)
    const shown = compound ? text.trim() : `${parseNumber(text.replace(/[^\d.,/\s¼½¾⅓⅔⅛−+-]/g, '').trim())} ${named}`
    return say(r, 'weighed', { massG: rounded }, ` weighs ${shown}${named === 'g' ? '' : ` (${rounded} g)`}`)
  } catch (error) {
    if (error instanceof UnitError) return error.message
    throw error
  }
}

const SIGN_OF: [RegExp, string][] = [
  [/^(?:noisy breath|wheez\w*|breathing)$/i, 'breathing'],
  [/^discharge$/i, 'discharge'],
  [/^(?:dry|damaged|bad) skin$/i, 'skin'],
  [/^(?:does not react|no reaction)$/i, 'alertness'],
  [/^(?:thin|skinny)$/i, 'thin'],
  [/^(?:injur\w+|wound\w*|bitten)$/i, 'injury'],
  [/^(?:stuck shed|shed stuck)$/i, 'stuckShed'],
  [/^(?:sore mouth|mouth)$/i, 'mouth'],
  [/^(?:swelling|swollen)$/i, 'swelling'],
  [/^prolapse$/i, 'prolapse'],
  [/^(?:straining|strains)$/i, 'straining'],
  [/^(?:loose|bloody|bad) droppings$/i, 'droppings'],
  [/^mites?$/i, 'mites'],
  [/^(?:limp\w*|trembl\w*)$/i, 'limping'],
]

function unwell(r: Reading, what: string | undefined): Read {
  const signs = what ? [SIGN_OF.find(([pattern]) => pattern.test(what.trim()))?.[1]] : []
  if (what && !signs[0]) return `“${what.trim()}” is no sign that is known; write “not well”, and the rest as a note.`
  return r.known.subject.type === 'animal'
    ? say(
        r,
        'checked',
        { well: false, ...(signs[0] && { signs }) },
        `: looked at, not well${what ? ` (${what.trim()})` : ''}`,
      )
    : `${r.known.tag} is not an animal.`
}

export const animalLines: LineRule[] = [
  rule('(?:took|ate|eats|eaten|has eaten|fed on)(?:\\s+(.+))?', (r, m) => meal(r, 'took', m[1] ?? '')),
  rule('fed(?:\\s+(.+))?', (r, m) => `Took or refused? Write it as: ${r.known.tag} took ${m[1] ?? '1 hopper'}`),
  rule('(?:refused|did not (?:eat|take)|would not (?:eat|take)|has not eaten)(?:\\s+(.+))?', (r, m) =>
    meal(r, 'refused', m[1] ?? ''),
  ),
  rule('(?:struck|strikes)(?: and (?:let go|dropped))?(?: of)?(?:\\s+(.+))?', (r, m) => meal(r, 'struck', m[1] ?? '')),
  rule('shed(?:ded)?(?: complete(?:ly)?| whole| in one(?: piece)?| well)?', r =>
    of(r, 'animal', 'shed', { complete: true }, 'shed'),
  ),
  rule('(?:shed(?:ded)? (?:in pieces|badly|incomplete(?:ly)?|partly|in parts)|(?:stuck|bad|incomplete) shed)', r =>
    of(r, 'animal', 'shed', { complete: false }, 'shed in pieces'),
  ),
  rule('probed?(?:\\s+(\\d+)(?:\\s+scales?)?)?', (r, m) =>
    r.known.subject.type !== 'animal'
      ? `${r.known.tag} is not an animal; only animals are probed.`
      : m[1]
        ? say(r, 'probed', { scales: Number(m[1]) }, `: probed, ${m[1]} scales`)
        : `How many scales? Write it as: ${r.known.tag} probed 9`,
  ),
  rule('(?:died|found dead|is dead)(?: of (.+)|\\s*:\\s*(.+))?', (r, m) =>
    of(
      r,
      'animal',
      'died',
      { ...((m[1] ?? m[2]) && { cause: m[1] ?? m[2] }) },
      `died${(m[1] ?? m[2]) ? `: ${m[1] ?? m[2]}` : ''}`,
    ),
  ),
  rule('dead', r =>
    r.known.subject.type === 'animal'
      ? `Is ${r.known.tag} dead? Write: ${r.known.tag} died`
      : `${r.known.tag} is not an animal.`,
  ),
  rule('sold(?: to (\\S+))?(?:,? (?:for )?([\\d.,]+ ?\\S*))?', (r, m) =>
    of(
      r,
      'animal',
      'sold',
      { ...(m[1] && { to: m[1].replace(/,$/, '') }), ...(m[2] && { price: m[2] }) },
      `sold${m[1] ? ` to ${m[1].replace(/,$/, '')}` : ''}${m[2] ? `, ${m[2]}` : ''}`,
    ),
  ),
  rule('reserved for (\\S+)', (r, m) => of(r, 'animal', 'reserved', { for: m[1] }, `reserved for ${m[1]}`)),
  rule('(?:(?:all )?well|(?:checked|looked at)(?:[:,]? (?:and )?well)?)', r =>
    of(r, 'animal', 'checked', { well: true }, 'looked at, well'),
  ),
  rule('(?:(?:checked|looked at):? )?(?:not well|unwell|ill|sick)(?:\\s*[:,]\\s*(.+))?', (r, m) => unwell(r, m[1])),
  rule('(?:brought up|regurgitated|vomited|threw up)(?: (?:its |the )?(?:meal|food|prey))?', r =>
    of(r, 'animal', 'broughtUp', {}, 'brought up its meal'),
  ),
  rule('(?:dropped|lost)(?: its| the)? tail', r => of(r, 'animal', 'tailDropped', {}, 'dropped its tail')),
  rule('vet:?\\s+(.+)', (r, m) => of(r, 'animal', 'vetSeen', { said: m[1]!.trim() }, `vet: ${m[1]!.trim()}`)),
  rule('cooled(?: down)?', r => of(r, 'animal', 'cooledDown', {}, 'cooled down')),
  rule('warmed(?: up)?', r => of(r, 'animal', 'warmedUp', {}, 'warmed up')),
]

/** After all others, since a line may begin with another number: 5 hatched. */
export const weightLines: LineRule[] = [
  rule('(?:weigh(?:s|ed)?|weight|at)?\\s*:?\\s*([.\\d¼½¾⅓⅔⅛][^?]*)', (r, m) => weight(r, m[1]!)),
]
