'use client'

import { Message } from '../src/interface/Message'

export default function ErrorPage({ error }: { readonly error: Error }) {
  return (
    <Message title="This page has stopped" action={{ href: '/', label: 'Open the plan again' }}>
      Your plan is kept in this browser as it was last saved. What went wrong: {error.message}
    </Message>
  )
}
