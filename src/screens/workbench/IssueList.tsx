'use client'

import styled from 'styled-components'
import type { FileIssue } from '../../files/reading/fileIssue.ts'
import { issueGroups } from '../../files/reading/issueGroups.ts'

/** Problems of a file: where, what is wrong, what would do. */
export function IssueList({ issues }: { readonly issues: readonly FileIssue[] }) {
  return (
    <List>
      {issueGroups(issues).map(({ first, count, places }, i) => (
        <li key={`${first.pointer} ${i}`}>
          <Where>
            {count > 1
              ? `${places.join(', ')} and ${count - places.length} more`
              : first.pointer || 'the whole file'}
          </Where>
          {count > 1 && <b>{count} times: </b>}
          {first.problem} <Wanted>Expected: {first.expected}</Wanted>
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
