'use client'

import styled from 'styled-components'
import type { FileIssue } from '../../files/reading/fileIssue.ts'
import { LastResort } from '../lastResort/LastResort'
import { IssueList } from '../workbench/IssueList'
import { Mark } from '../../interface/Mark'

/** The stored plan does not pass its own schema: it is left as it is until the person decides. */
export function Damaged({ issues }: { readonly issues: readonly FileIssue[] }) {
  return (
    <Page>
      <Mark />
      <h1>The stored plan cannot be opened</h1>
      <p>It is still in this browser, untouched.</p>
      <IssueList issues={issues} />
      <LastResort />
    </Page>
  )
}

const Page = styled.main.attrs({ id: 'main' })`
  max-width: 640px;
  margin: 8vh auto 40px;
  padding: 0 20px;
  display: grid;
  gap: 14px;
  justify-items: start;
`
