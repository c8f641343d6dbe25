'use client'

import type { ReactNode } from 'react'
import styled from 'styled-components'
import { Mark } from './Mark'

interface MessageProps {
  readonly title: string
  readonly children: ReactNode
  readonly action: { readonly href: string; readonly label: string }
}

/** A whole page that says one thing and where to go next. */
export function Message({ title, children, action }: MessageProps) {
  return (
    <Page>
      <Mark />
      <h1>{title}</h1>
      {typeof children === 'string' ? <p>{children}</p> : children}
      <p>
        <a href={action.href}>{action.label}</a>
      </p>
    </Page>
  )
}

const Page = styled.main.attrs({ id: 'main' })`
  max-width: 480px;
  margin: 12vh auto 40px;
  padding: 0 20px;
  display: grid;
  gap: 12px;
  justify-items: start;
  overflow-wrap: anywhere;
`
