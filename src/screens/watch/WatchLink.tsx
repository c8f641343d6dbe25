'use client'

import { Button as AriaButton } from 'react-aria-components'
import styled from 'styled-components'
import { SEVERITIES } from '../../core/watch/finding.ts'
import type { WatchList } from '../../core/watch/watchList.ts'
import { SEVERITY_NAMES } from '../../wording/finding'
import { media } from '../../interface/theme/media'
import { Sign } from './Sign'
import { WATCH_LIST_ID } from './watchListId.ts'

/** How many findings there are; a press goes to them. */
export function WatchLink({ list: { open } }: { readonly list: WatchList }) {
  const counts = SEVERITIES.flatMap((severity) => {
    const count = open.filter((finding) => finding.severity === severity).length
    return count > 0 ? [{ severity, count }] : []
  })
  const [worst] = counts
  if (!worst) return <Quiet>Nothing to look out for</Quiet>
  const text = counts
    .map(({ severity, count }) => `${count} ${SEVERITY_NAMES[severity].toLowerCase()}${count > 1 ? 's' : ''}`)
    .join(', ')
  return (
    <Link
      aria-label={`Go to the watch list: ${text}`}
      onPress={() => {
        const list = document.getElementById(WATCH_LIST_ID)
        list?.scrollIntoView({ block: 'start' })
        list?.focus()
      }}
    >
      <Sign severity={worst.severity} />
      {text}
    </Link>
  )
}

const Quiet = styled.span`
  font-size: 12px;
  color: var(--ink-2);
`

const Link = styled(AriaButton)`
  display: flex;
  gap: 6px;
  align-items: center;
  padding: 9px 0;
  border: 0;
  background: none;
  font-size: 12px;
  text-align: left;
  cursor: pointer;
  text-decoration: underline dotted;
  text-underline-offset: 3px;
  ${media.coarse} {
    min-height: 44px;
  }
`
