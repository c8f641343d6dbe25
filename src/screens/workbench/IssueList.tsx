'use client'

import styled from 'styled-components'
import type { FileIssue } from '../../files/fileIssue.ts'

/** Problems of a file: where, what is wrong, what would do. */
export function IssueList({ issues }: { readonly issues: readonly FileIssue[] }) {
  return (
    <List>
      {issues.map((issue, i) => (
        <li key={`${issue.pointer} ${i}`}>
          <Where>{issue.pointer || 'the whole file'}</Where>
          {issue.problem} <Wanted>Expected: {issue.expected}</Wanted>
        </li>
      ))}
    </List>
  )
}

const List = styled.ul`
  display: grid;
  gap: 9px;
  overflow-wrap: anywhere;
`

const Where = styled.code`
  display: block;
  font-size: 12px;
  color: var(--ink-2);
`

const Wanted = styled.span`
  color: var(--ink-2);
`
