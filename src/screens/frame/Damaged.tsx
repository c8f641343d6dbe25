'use client'

import styled from 'styled-components'
import type { SessionState } from '../../store/sessionState.ts'
import { IssueList } from '../workbench/IssueList'
import { Mark } from '../../interface/Mark'
import { storageProblemText } from './storeNoticeText.ts'
import { lazyPart } from '../../interface/lazyPart'

const LastResort = lazyPart(() => import('../lastResort/LastResort'), 'LastResort')

/** The stored plan does not pass its own schema: it is left as it is until the person decides. */
export function Damaged({ state: { damage, saveProblem } }: { readonly state: SessionState }) {
  return (
    <Page>
      <Mark />
      <h1>The stored plan cannot be opened</h1>
      <p>It is still in this browser, untouched.</p>
      {saveProblem && <p>{storageProblemText(saveProblem)} Reload the page.</p>}
      {damage.length > 0 && <IssueList issues={damage} />}
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
