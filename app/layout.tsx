import '@fontsource-variable/archivo/standard.css'
import type { Metadata, Viewport } from 'next'
import { headers } from 'next/headers'
import type { ReactNode } from 'react'
import { GlobalStyle } from '../src/interface/theme/GlobalStyle'
import { InEnglish } from '../src/interface/InEnglish'
import { StyleRegistry } from './StyleRegistry'

export const metadata: Metadata = {
  title: 'Notchgauge',
  description: 'What each machine costs this month, and what each choice about it would save.',
}

export const viewport: Viewport = { width: 'device-width', initialScale: 1 }

export default async function RootLayout({ children }: { readonly children: ReactNode }) {
  const nonce = (await headers()).get('x-nonce') ?? ''
  return (
    <html lang="en" suppressHydrationWarning>
      <head>
        <meta property="csp-nonce" content={nonce} />
      </head>
      <body>
        <StyleRegistry nonce={nonce}>
          <GlobalStyle />
          <InEnglish>{children}</InEnglish>
        </StyleRegistry>
      </body>
    </html>
  )
}
