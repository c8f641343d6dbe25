'use client'

import { useRef, useState } from 'react'
import { Dialog, Heading } from 'react-aria-components'
import styled from 'styled-components'
import { Button } from '../../interface/Button'
import { lazyPart } from '../../interface/lazyPart'
import { Popover } from '../../interface/Popover'
import type { PlatesInputs } from '../../core/notches/plate.ts'

const ProposalSearch = lazyPart(() => import('./ProposalSearch'), 'ProposalSearch')

/** Asks for the cheapest machine that still fits, over all plates together. */
export function ProposalButton({ inputs }: { readonly inputs: PlatesInputs }) {
  const [isOpen, setOpen] = useState(false)
  const button = useRef<HTMLButtonElement>(null)
  return (
    <>
      <Button ref={button} onPress={() => setOpen(true)}>
        Cheapest that fits…
      </Button>
      <Popover triggerRef={button} isOpen={isOpen} onOpenChange={setOpen} placement="bottom end">
        <Sheet>
          <Title slot="title">The cheapest that still fits</Title>
          <ProposalSearch inputs={inputs} onClose={() => setOpen(false)} />
        </Sheet>
      </Popover>
    </>
  )
}

const Sheet = styled(Dialog)`
  display: grid;
  gap: 8px;
  width: min(520px, 92vw);
  padding: 12px 14px;
  outline: none;
`

const Title = styled(Heading)`
  font-size: 13px;
  font-weight: 640;
  color: var(--ink);
`
