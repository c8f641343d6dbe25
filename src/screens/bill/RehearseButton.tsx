'use client'

import { useState } from 'react'
import { Button } from '../../interface/Button'
import { lazyDialog } from '../../interface/lazyDialog'

const RehearseDialog = lazyDialog(() => import('./RehearseDialog'), 'RehearseDialog')

/** Lets the month happen on a practice provider. */
export function RehearseButton() {
  const [isOpen, setIsOpen] = useState(false)
  return (
    <>
      <Button onPress={() => setIsOpen(true)}>Rehearse this month…</Button>
      {isOpen && <RehearseDialog onClose={() => setIsOpen(false)} />}
    </>
  )
}
