'use client'

import { useState } from 'react'
import styled from 'styled-components'
import { Button } from '../../interface/Button'

/** Puts a figure with all that explains it on the clipboard. */
export function CopyButton({ text }: { readonly text: string }) {
  const [done, setDone] = useState<{ readonly text: string; readonly note: string }>()
  const copy = async (): Promise<void> => {
    try {
      await navigator.clipboard.writeText(text)
      setDone({ text, note: 'Copied' })
    } catch {
      setDone({ text, note: 'The browser does not allow it: mark the text and copy it by hand.' })
    }
  }
  return (
    <Line>
      <Button onPress={() => void copy()}>Copy with its arithmetic</Button>
      <span role="status">{done?.text === text ? done.note : ''}</span>
    </Line>
  )
}

const Line = styled.div`
  display: flex;
  gap: 10px;
  align-items: center;
`
