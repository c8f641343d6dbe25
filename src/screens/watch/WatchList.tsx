'use client'

import { useState } from 'react'
import styled from 'styled-components'
import { QuietButton } from '../../interface/Button'
import { AcceptedItem } from './AcceptedItem'
import type { Watched } from './useWatched.ts'
import { WatchItem } from './WatchItem'

const SHOWN = 3

/** What people get wrong again and again, found in this machine, with the press that mends it where there is one. */
export function WatchList({ list: { open, accepted }, resolved, currency }: Watched) {
  const [showsAll, setShowsAll] = useState(false)
  const count = open.length + accepted.length
  const most = showsAll ? count : SHOWN
  const more = count - Math.min(count, most)
  return (
    <Block aria-label="Watch list">
      <h2>
        Watch list <Small>{countText(open.length, accepted.length)}</Small>
      </h2>
      {open.length === 0 && <p>Nothing to look out for.</p>}
      <ul>
        {open.slice(0, most).map((finding) => (
          <WatchItem key={finding.key} finding={finding} resolved={resolved} currency={currency} />
        ))}
        {accepted.slice(0, Math.max(0, most - open.length)).map((finding) => (
          <AcceptedItem key={finding.key} finding={finding} resolved={resolved} currency={currency} />
        ))}
      </ul>
      {more > 0 && <QuietButton onPress={() => setShowsAll(true)}>{more} more</QuietButton>}
      {showsAll && count > SHOWN && (
        <QuietButton onPress={() => setShowsAll(false)}>Only the first</QuietButton>
      )}
    </Block>
  )
}

const countText = (open: number, accepted: number): string =>
  `${open} open${accepted > 0 ? `, ${accepted} accepted` : ''}`

const Block = styled.section`
  margin-top: 14px;

  ul {
    margin-top: 4px;
  }
`

const Small = styled.span`
  font-weight: 400;
  margin-left: 6px;
`
