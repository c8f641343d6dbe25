'use client'

import type { ReactNode } from 'react'
import { I18nProvider } from 'react-aria-components'

/** What components say to screen readers is in the language of the page, whatever the browser prefers. */
export const InEnglish = ({ children }: { readonly children: ReactNode }) => (
  <I18nProvider locale="en-US">{children}</I18nProvider>
)
