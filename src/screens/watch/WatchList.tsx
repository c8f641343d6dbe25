'use client'

import styled from 'styled-components'
import { AcceptedItem } from './AcceptedItem'
import type { Watched } from './useWatched.ts'
import { WatchItem } from './WatchItem'
import { WATCH_LIST_ID } from './watchListId.ts'

/** What people get wrong again and again, found in this machine, with the press that mends it where there is one. */
export function WatchList({ list: { open, accepted }, resolved, currency }: Watched) {
  return (
    <Block id={WATCH_LIST_ID} aria-label="Watch list" tabIndex={-1}>
      <h2>
        Watch list <Small>{countText(open.length, accepted.length)}</Small>
      </h2>
      {open.length === 0 && <p>Nothing to look out for.</p>}
      <ul>
        {open.map((finding) => (
          <WatchItem key={finding.key} finding={finding} resolved={resolved} currency={currency} />
        ))}
        {accepted.map((finding) => (
          <AcceptedItem key={finding.key} finding={finding} resolved={resolved} currency={currency} />
        ))}
      </ul>
    </Block>
  )
}

const countText = (open: number, accepted: number): string =>
  `${open} open${accepted > 0 ? `, ${accepted} accepted` : ''}`

const Block = styled.section`
  padding-top: 12px;
  scroll-margin-top: 8px;

  &:focus {
    outline: none;
  }
  ul {
    margin-top: 4px;
  }
`

const Small = styled.span`
  font-weight: 400;
  margin-left: 6px;
`
