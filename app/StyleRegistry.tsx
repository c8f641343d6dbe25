'use client'

import { useServerInsertedHTML } from 'next/navigation'
import { useState, type ReactNode } from 'react'
import { ServerStyleSheet, StyleSheetManager } from 'styled-components'

/** What the loaded page's policy allows. A later answer of the server, as on going back, has a nonce of its own. */
let nonceOfPage: string | undefined

const keptNonce = (nonce: string): string => (nonceOfPage ??= nonce)

/** Sends the styles of the first page with it, so that nothing is shown unstyled. */
export function StyleRegistry({ nonce, children }: { readonly nonce: string; readonly children: ReactNode }) {
  const [sheet] = useState(() => new ServerStyleSheet({ nonce }))

  useServerInsertedHTML(() => {
    const styles = sheet.getStyleElement()
    sheet.instance.clearTag()
    return <>{styles}</>
  })

  if (typeof window !== 'undefined') {
    return <StyleSheetManager nonce={keptNonce(nonce)}>{children}</StyleSheetManager>
  }
  return <StyleSheetManager sheet={sheet.instance}>{children}</StyleSheetManager>
}
