'use client'

import type { ReactNode } from 'react'
import { ListLayout, Virtualizer } from 'react-aria-components'

interface LongListProps {
  /** Pixels, of every row. */
  readonly rowHeight: number
  /** A list box. */
  readonly children: ReactNode
}

/** Draws of a list what is in view alone. */
export const LongList = ({ rowHeight, children }: LongListProps) => (
  <Virtualizer layout={ListLayout} layoutOptions={{ rowHeight }}>
    {children}
  </Virtualizer>
)
