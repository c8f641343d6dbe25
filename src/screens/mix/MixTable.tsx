'use client'

import styled from 'styled-components'
import type { MixAnswer, PlanMix } from '../../core/market/planMix.ts'
import { mixPlacesText } from './mixPlaces.ts'
import { formatDifference } from '../../wording/money'

interface MixTableProps {
  readonly title: string
  readonly rows: readonly PlanMix[]
  readonly answer: MixAnswer
}

/** The plan all at one of them: what it would cost from now, or which machines fit nowhere there. */
export function MixTable({ title, rows, answer }: MixTableProps) {
  return (
    <Section aria-label={title}>
      <h2>{title}</h2>
      <ul>
        {rows.map(({ places, total, moves, missing }) => (
          <li key={mixPlacesText(places)}>
            <span>
              <b>{mixPlacesText(places) || 'nowhere'}</b>
              <small>
                {missing.length === 0
                  ? `${moves.length} of them change`
                  : `without ${missing.slice(0, 4).join(', ')}${missing.length > 4 ? ` and ${missing.length - 4} more` : ''}`}
              </small>
            </span>
            {missing.length === 0 && <b>{formatDifference(total, answer.now)}</b>}
          </li>
        ))}
      </ul>
    </Section>
  )
}

const Section = styled.section`
  margin-top: 14px;

  li {
    display: flex;
    justify-content: space-between;
    gap: 10px;
    padding: 5px 0;
    border-top: 1px solid var(--rule);
    font-size: 12px;
  }
  small {
    display: block;
    color: var(--ink-2);
  }
`
