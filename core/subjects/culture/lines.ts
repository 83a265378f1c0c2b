import { of, rule, type LineRule } from '../../log'

export const cultureLines: LineRule[] = [
  rule('produc(?:es|ed|ing)', r => of(r, 'culture', 'producing', {}, 'producing')),
  rule('failed(?:\\s*:\\s*(.+))?', (r, m) =>
    of(r, 'culture', 'cultureFailed', { ...(m[1] && { why: m[1] }) }, `failed${m[1] ? `: ${m[1]}` : ''}`),
  ),
  rule(`harvest(?:ed)?(?: (?:about )?(\\d+))?`, (r, m) =>
    of(r, 'culture', 'harvested', { count: Number(m[1] ?? 0) }, `harvested${m[1] ? ` ${m[1]}` : ''}`),
  ),
]
