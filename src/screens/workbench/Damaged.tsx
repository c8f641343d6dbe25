'use client'

import styled from 'styled-components'
import type { FileIssue } from '../../files/fileIssue.ts'
import { Button } from '../../interface/Button'
import { IssueList } from './IssueList'
import { Mark } from '../../interface/Mark'
import type { Session } from '../../store/session.ts'

interface DamagedProps {
  readonly session: Session
  readonly issues: readonly FileIssue[]
}

/** The stored plan does not pass its own schema: it is left as it is until the person decides. */
export function Damaged({ session, issues }: DamagedProps) {
  return (
    <Page>
      <Mark />
      <h1>The stored plan cannot be opened</h1>
      <p>It is still in this browser, untouched. Starting over replaces it with the demo plan.</p>
      <IssueList issues={issues} />
      <Button onPress={() => void session.startOver()}>Start over with the demo plan</Button>
    </Page>
  )
}

const Page = styled.main.attrs({ id: 'main' })`
  max-width: 640px;
  margin: 12vh auto 0;
  padding: 0 20px;
  display: grid;
  gap: 14px;
  justify-items: start;
`
