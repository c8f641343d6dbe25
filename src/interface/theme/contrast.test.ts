import { readFileSync } from 'node:fs'
import { expect, test } from 'vitest'

const source = readFileSync('src/interface/theme/GlobalStyle.ts', 'utf8')

/** The tokens of a theme as they stand in the style. */
function tokensOf(theme: 'light' | 'dark'): ReadonlyMap<string, string> {
  const block = new RegExp(`const ${theme} = css\`([^\`]+)\``).exec(source)![1]!
  return new Map(
    [...block.matchAll(/--([\w-]+): (#[0-9a-f]{6});/g)].map(([, name, value]) => [name!, value!]),
  )
}

/** Relative luminance of sRGB, as WCAG 2.2 defines it. */
function luminance(color: string): number {
  const [r, g, b] = [1, 3, 5].map((at) => {
    const share = parseInt(color.slice(at, at + 2), 16) / 255
    return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4
  }) as [number, number, number]
  return 0.2126 * r + 0.7152 * g + 0.0722 * b
}

function contrast(one: string, other: string): number {
  const [dark, light] = [luminance(one), luminance(other)].sort((a, b) => a - b) as [number, number]
  return (light + 0.05) / (dark + 0.05)
}

const GROUNDS = ['paper', 'sheet'] as const

test('black on white is 21, and a colour on itself 1', () => {
  expect(contrast('#000000', '#ffffff')).toBeCloseTo(21)
  expect(contrast('#767676', '#ffffff')).toBeCloseTo(4.54, 1)
  expect(contrast('#1e6e62', '#1e6e62')).toBe(1)
})

test.each(['light', 'dark'] as const)('text of the %s theme is read on every ground', (theme) => {
  const tokens = tokensOf(theme)
  const colors = ['ink', 'ink-2', 'ink-3', 'leak', 'save', 'run', 'held-ink']
  for (const ground of GROUNDS) {
    for (const color of colors) {
      const found = contrast(tokens.get(color)!, tokens.get(ground)!)
      expect([`${color} on ${ground}`, found >= 4.5]).toEqual([`${color} on ${ground}`, true])
    }
  }
  expect(contrast(tokens.get('ink')!, tokens.get('plate')!)).toBeGreaterThanOrEqual(4.5)
  expect(contrast(tokens.get('ink-2')!, tokens.get('plate')!)).toBeGreaterThanOrEqual(4.5)
  expect(contrast(tokens.get('on-run')!, tokens.get('run')!)).toBeGreaterThanOrEqual(4.5)
})

test.each(['light', 'dark'] as const)('marks of the %s theme stand out from what they lie on', (theme) => {
  const tokens = tokensOf(theme)
  for (const ground of GROUNDS) {
    for (const mark of ['run', 'held', 'kept', 'leak', 'focus', 'ink', 'off']) {
      const found = contrast(tokens.get(mark)!, tokens.get(ground)!)
      expect([`${mark} on ${ground}`, found >= 3]).toEqual([`${mark} on ${ground}`, true])
    }
  }
})
