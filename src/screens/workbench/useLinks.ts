'use client'

import type { MouseEvent } from 'react'
import { writeAddress, type Address } from './address.ts'
import { useWorkbench } from './WorkbenchContext'

interface LinkProps {
  readonly href: string
  readonly onClick: (event: MouseEvent) => void
}

/** What makes an anchor a link to another screen of this page, from the address as it is with some of it changed. */
export function useLinks(): (part: Partial<Address>) => LinkProps {
  const { address, go } = useWorkbench()
  return (part) => {
    const target = { ...address, ...part }
    return {
      href: writeAddress(target),
      onClick: (event) => {
        // With a key held the browser opens another tab or window, as for any link.
        if (event.metaKey || event.ctrlKey || event.shiftKey || event.altKey) return
        event.preventDefault()
        go(target)
      },
    }
  }
}
