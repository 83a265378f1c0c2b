import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'

const css = readFileSync(new URL('./themes.css', import.meta.url), 'utf8')

/** The colours of one theme by name. */
function theme(selector: string): Record<string, string> {
  const block = new RegExp(`(?:^|\\n)[^{}]*\\${selector} \\{([^}]*)\\}`).exec(css)![1]!
  return Object.fromEntries([...block.matchAll(/(--[\w-]+): (#[0-9a-f]{6});/g)].map(m => [m[1]!, m[2]!]))
}

/** Contrast of two colours. Source: WCAG 2.2, relative luminance and contrast ratio. */
function contrast(a: string, b: string): number {
  const luminance = (hex: string) =>
    [1, 3, 5]
      .map(i => Number.parseInt(hex.slice(i, i + 2), 16) / 255)
      .map(c => (c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4))
      .reduce((sum, c, i) => sum + c * [0.2126, 0.7152, 0.0722][i]!, 0)
  const [light, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x)
  return (light! + 0.05) / (dark! + 0.05)
}

describe.each(['.light', '.dark', '.night'])('theme %s', name => {
  const colours = theme(name)
  const ground = colours['--ui-bg']!

  it('text that says what is wrong reads at 4.5 : 1 (WCAG 1.4.3)', () => {
    for (const key of ['--ui-text', '--ui-text-muted', '--ui-text-dimmed', '--harm', '--ui-error'])
      expect(contrast(colours[key]!, ground), key).toBeGreaterThanOrEqual(4.5)
  })

  it('the border of a field is seen at 3 : 1 (WCAG 1.4.11)', () => {
    expect(contrast(colours['--ui-border-accented']!, ground)).toBeGreaterThanOrEqual(3)
  })
})
