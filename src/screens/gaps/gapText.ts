import type { GapAdvice, WayForGap } from '../../core/advice/gapAdvice.ts'
import type { OffState } from '../../core/off/powerState.ts'
import { formatMoney } from '../../wording/money.ts'
import { KEEP_LABELS } from '../../wording/needs.ts'
import { reasonsText } from '../../wording/reason.ts'
import { STATE_NAMES } from '../../wording/state.ts'

/** Running through a gap is being left on. */
export const WAY_NAMES: Record<OffState, string> = { ...STATE_NAMES, running: 'Left on' }

/** What a screen reader hears of one cell. */
export function wayLabel(way: WayForGap, { best }: GapAdvice, currency: string): string {
  const parts = [
    `${WAY_NAMES[way.off]}, ${formatMoney(way.eachTime, currency)} each time`,
    way === best && 'the cheapest',
    way.reasons.length > 0 && `closed: ${reasonsText(way.reasons)}`,
    way.mayEnd && 'longer than hibernation surely lasts',
  ]
  return parts.filter(Boolean).join(', ')
}

/** What the cheapest way loses, and why others will not do. */
export function gapNotes({ best, ways }: GapAdvice): string {
  const closed = ways
    .filter(({ reasons, mayEnd }) => reasons.length > 0 || mayEnd)
    .map(({ off, reasons }) => {
      const why = reasons.length > 0 ? reasonsText(reasons) : 'longer than it surely lasts'
      return `${WAY_NAMES[off]} is closed: ${why}.`
    })
  const lost = best?.lost.map((what) => KEEP_LABELS[what]) ?? []
  const loses = best && lost.length > 0 && `${WAY_NAMES[best.off]} loses ${listed(lost)}.`
  return [...closed, loses].filter(Boolean).join(' ')
}

const listed = (words: readonly string[]): string =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`
