'use client'

import type { ReactNode } from 'react'
import { Button, Dialog, DialogTrigger } from 'react-aria-components'
import styled from 'styled-components'
import { Popover } from '../../interface/Popover'
import { media } from '../../interface/theme/media'

export interface HeadedColumn {
  /** Its heading. */
  readonly column: string
  /** What it is taken for, in the words of the screen; absent: not used. */
  readonly role?: string
  /** Its unit, and what else is said of it. */
  readonly details?: string
  /** Whether something of it was only proposed. */
  readonly isAssumed?: boolean
  /** Whether its cells are figures, which end at the same edge. */
  readonly isFigure?: boolean
  /** What can be said of it instead; absent where nothing can. */
  readonly editor?: (close: () => void) => ReactNode
}

/** Above a column's heading: what it is taken for, in what unit and how sure that is. Pressed, all of it can be changed. */
export function ColumnHead({ column, role = 'not used', details = '', isAssumed, editor }: HeadedColumn) {
  const said = (
    <>
      {details}
      {isAssumed && <em>{details === '' ? '' : ' '}assumed</em>}
    </>
  )
  if (!editor) {
    return (
      <Plain>
        <b>{role}</b>
        <span>{said}</span>
      </Plain>
    )
  }
  return (
    <DialogTrigger>
      <Head
        aria-label={`What ${column} is: ${[role, details, ...(isAssumed ? ['assumed'] : [])].filter((each) => each !== '').join(', ')}`}
        data-used={role !== 'not used' || undefined}
        data-assumed={isAssumed || undefined}
      >
        <b>
          {role} <i aria-hidden="true">▾</i>
        </b>
        <span>{said}</span>
      </Head>
      <Popover placement="bottom start">
        <Editor aria-label={`What ${column} is`}>{({ close }) => editor(close)}</Editor>
      </Popover>
    </DialogTrigger>
  )
}

const head = `
  display: grid;
  gap: 1px;
  width: 100%;
  min-height: 38px;
  min-width: 62px;
  padding: 3px 8px;
  align-content: start;
  text-align: left;
  white-space: normal;
  font-size: 11px;
  font-weight: 400;
  color: var(--ink-2);

  b {
    font-size: 12px;
    font-weight: 600;
    white-space: nowrap;
  }
  i {
    font-style: normal;
  }
  em {
    font-style: normal;
    border-bottom: 2px dotted var(--held);
  }
`

const Plain = styled.div`
  ${head}
`

const Head = styled(Button)`
  ${head}
  border: 0;
  background: none;
  cursor: pointer;

  &[data-used] b {
    color: var(--ink);
  }
  &[data-hovered],
  &[aria-expanded='true'] {
    box-shadow: inset 0 0 0 2px var(--ink-2);
  }
  ${media.coarse} {
    min-height: 44px;
    align-content: center;
  }
`

const Editor = styled(Dialog)`
  display: grid;
  gap: 8px;
  max-width: min(560px, 92vw);
  padding: 10px 14px 12px;
  outline: none;
`
