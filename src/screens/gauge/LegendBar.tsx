'use client'

import { memo } from 'react'
import styled from 'styled-components'
import { QuietButton } from '../../interface/Button'
import { useStable } from '../../interface/useStable'
import { VisuallyHidden } from '../../interface/VisuallyHidden'
import { formatMoney } from '../../wording/money'
import type { Exact } from '../../core/quantity/exact.ts'
import type { LegendStep } from './legendSteps.ts'
import type { Legend } from './useLegend.ts'

interface LegendBarProps {
  readonly legend: Legend
  readonly coarse: boolean
  readonly total: Exact
  readonly currency: string
}

/** What a mark of the plates means, on the machine itself: over once the person has done what it says. */
export function LegendBar({ legend, coarse, total, currency }: LegendBarProps) {
  const { step, at, of, next, close } = legend
  const goOn = useStable(next)
  const end = useStable(close)
  if (!step) return null
  const texts: Record<LegendStep, readonly [means: string, deed: string]> = {
    slot: [
      'Each slot is a choice; how far left it stands is how much it saves.',
      coarse ? 'Tap one to see what is in it.' : 'Point at one to see what is in it.',
    ],
    number: [
      'A number counts choices that stand too close to tell apart.',
      coarse ? 'Tap a slot with a number.' : 'Point at a slot with a number.',
    ],
    band: [
      'The band along a plate’s foot is choices that are closed: they do not fit your needs, or are not sold.',
      coarse ? 'Tap above a band to see why.' : 'Point above a band to see why.',
    ],
    line: [
      `All that is chosen now stands on one line, at ${formatMoney(total, currency)} a month.`,
      'Take a choice: the plates slide, and the total follows.',
    ],
    axis: [
      'The axis below says what each choice costs more or less a month; far from the line its steps grow.',
      'Undo what you took.',
    ],
  }
  const [means, deed] = texts[step]
  return (
    <Bar role="note" aria-label="How to read the plates">
      <Sketch step={step} />
      <span>
        <VisuallyHidden>
          Step {at + 1} of {of}.{' '}
        </VisuallyHidden>
        {means} <b>{deed}</b>
      </span>
      <small aria-hidden="true">
        {at + 1} of {of}
      </small>
      <Ways onNext={goOn} onClose={end} />
    </Bar>
  )
}

/** Drawn apart from the total above, which follows each press. */
const Ways = memo(function Ways(on: { readonly onNext: () => void; readonly onClose: () => void }) {
  return (
    <>
      <QuietButton onPress={on.onNext}>Next</QuietButton>
      <QuietButton aria-label="Close how to read the plates" onPress={on.onClose}>
        Close
      </QuietButton>
    </>
  )
})

/** The mark that is explained, as plates have it. */
const Sketch = ({ step }: { readonly step: LegendStep }) => (
  <svg width="64" height="26" aria-hidden="true" style={{ flex: 'none' }}>
    <rect x="0.5" y="4.5" width="63" height="18" rx="3" fill="var(--plate)" stroke="var(--plate-edge)" />
    {step === 'slot' && (
      <path d="M28 4.500v10a4 4 0 0 0 8 0v-10z" fill="var(--sheet)" stroke="var(--ink)" strokeWidth="1.5" />
    )}
    {step === 'number' && (
      <>
        <path d="M23 4.500v9a4 4 0 0 0 4 4h10a4 4 0 0 0 4-4v-9z" fill="var(--sheet)" stroke="var(--ink)" />
        <text x="32" y="14" fontSize="11" textAnchor="middle" fill="var(--ink)">
          3
        </text>
      </>
    )}
    {step === 'band' && <rect x="8" y="18" width="40" height="3" fill="var(--ink-2)" />}
    {step === 'line' && <path d="M27 1h10v16a5 5 0 0 1-10 0z" fill="var(--ink)" />}
    {step === 'axis' && (
      <path d="M4 13h56M12 9v8M32 7v12M46 9v8M54 9v8" stroke="var(--ink)" strokeWidth="1.5" fill="none" />
    )}
  </svg>
)

const Bar = styled.div`
  display: flex;
  gap: 10px;
  align-items: center;
  margin-bottom: 4px;
  padding: 5px 8px;
  border-left: 3px solid var(--focus);
  background: var(--paper);
  font-size: 12px;

  & > span {
    flex: 1;
  }
  small {
    color: var(--ink-2);
    white-space: nowrap;
  }
`
