'use client'

import { useId, useState, type ReactNode } from 'react'
import styled from 'styled-components'
import { media } from './theme/media'

interface TermProps {
  readonly meaning: string
  readonly children: ReactNode
}

/** A word of the program's own, underlined with dots: pointing at it, pressing it or going to it by keys says what it means. */
export function Term({ meaning, children }: TermProps) {
  const id = useId()
  const [isShown, setShown] = useState(false)
  return (
    <Place
      onPointerEnter={({ pointerType }) => pointerType === 'mouse' && setShown(true)}
      onPointerLeave={() => setShown(false)}
    >
      <Word
        type="button"
        aria-describedby={id}
        onFocus={() => setShown(true)}
        onBlur={() => setShown(false)}
        onClick={() => setShown(true)}
        onKeyDown={(event) => event.key === 'Escape' && setShown(false)}
      >
        {children}
      </Word>
      <Meaning id={id} role="tooltip" hidden={!isShown}>
        {meaning}
      </Meaning>
    </Place>
  )
}

const Place = styled.span`
  position: relative;
`

const Word = styled.button`
  padding: 0;
  border: 0;
  background: none;
  font: inherit;
  color: inherit;
  text-decoration: underline dotted;
  text-decoration-thickness: 1px;
  text-underline-offset: 3px;
  cursor: help;
  ${media.coarse} {
    min-width: 44px;
    text-align: left;
    min-height: 44px;
  }
`

const Meaning = styled.span`
  position: absolute;
  z-index: 4;
  top: 100%;
  left: 0;
  width: max-content;
  max-width: 240px;
  padding: 6px 8px;
  border: 1px solid var(--ink);
  background: var(--sheet);
  font-size: 12px;
  font-weight: 400;
  color: var(--ink);

  &[hidden] {
    display: none;
  }
`
