'use client'

import type { ComponentType } from 'react'
import { Button } from './Button'
import { Dialog } from './Dialog'
import { lazyPart, type LazyPart } from './lazyPart'

/** A dialog whose code comes when it is opened; it appears when it is there. What did not come is said in its place. */
export const lazyDialog = <Name extends string, Props extends { readonly onClose: () => void }>(
  fetchModule: () => Promise<{ readonly [N in Name]: ComponentType<Props> }>,
  name: Name,
): LazyPart<Props> =>
  lazyPart(fetchModule, name, {
    failedIn: ({ onClose }, failure) => (
      <Dialog title="Not fetched" isOpen onClose={onClose}>
        {failure}
        <Button onPress={onClose}>Close</Button>
      </Dialog>
    ),
  })
