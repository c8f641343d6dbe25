'use client'

import { useEffect } from 'react'
import { Message } from '../src/interface/Message'
import { lazyPart } from '../src/interface/lazyPart'

const LastResort = lazyPart(() => import('../src/screens/lastResort/LastResort'), 'LastResort')

export default function ErrorPage({ error }: { readonly error: Error }) {
  // In the program's own words, for a report; a person is told what can be done.
  useEffect(() => console.error(error), [error])
  return (
    <Message title="This page has stopped" action={{ href: '/', label: 'Open the plan again' }}>
      <p>
        Something in the plan or in a price book is more than Notchgauge can show. All of it is kept in this
        browser as it was last saved. If opening the plan again does not help, there are other ways out:
      </p>
      <LastResort />
    </Message>
  )
}
