'use client'

import { useMemo } from 'react'
import styled from 'styled-components'
import { accessFindings } from '../../core/watch/accessRules.ts'
import { media } from '../../interface/theme/media'
import { MOST_INBOUND_RULES, type Access, type InboundRule } from '../../core/machine/access.ts'
import {
  administratorProblem,
  hostNameProblem,
  nameRulesOf,
  type NameRules,
} from '../../core/machine/accessProblems.ts'
import type { Machine } from '../../core/machine/plan.ts'
import { Button } from '../../interface/Button'
import { TextInput } from '../../interface/TextInput'
import { ToggleRow } from '../../interface/ToggleRow'
import { nameProblemText } from '../../wording/finding'
import { setAccess } from '../../store/commands.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { WatchItem } from '../watch/WatchItem'
import { InboundRow } from './InboundRow'

/** What the first rule proposes: secure shell, or remote desktop where the image has that. */
const SIGN_IN_PORT = { unix: 22, desktop: 3389 } as const satisfies Record<NameRules, number>

function newRule(rules: NameRules, { length }: readonly InboundRule[]): InboundRule {
  const port = length === 0 ? SIGN_IN_PORT[rules] : 443
  return { protocol: 'tcp', ports: { first: port, last: port }, from: 'own-network' }
}

/** Who signs in to the machine and how, and what may come in from where. */
export function AccessScreen() {
  const { machine } = useWorkbench()
  return machine ? <Fields machine={machine} /> : null
}

function Fields({ machine }: { readonly machine: Machine }) {
  const { session, book } = useWorkbench()
  const access = machine.access ?? {}
  const inbound = access.inbound ?? []
  const image = book?.images.find(({ id }) => id === machine.image)
  const rules = nameRulesOf(image ?? {})
  const change = (what: string, part: { [Field in keyof Access]?: Access[Field] | undefined }): void =>
    session.edit(`${machine.name}: ${what}`, setAccess(machine.name, part))
  const setInbound = (next: readonly InboundRule[]): void =>
    change('inbound rules', { inbound: next.length > 0 ? next : undefined })
  const nameCheck = (problem: ReturnType<typeof hostNameProblem>): string | undefined =>
    problem ? `It ${nameProblemText(problem)}.` : undefined
  return (
    <>
      <AccessWarnings />
      <Block aria-label="Sign-in">
        <h2>Sign-in{image && `, by the rules of ${image.name}`}</h2>
        <Line>
          <TextInput
            showLabel
            label="The machine calls itself"
            value={access.hostName ?? ''}
            whenEmpty="not said"
            check={(text) => (text === '' ? undefined : nameCheck(hostNameProblem(text, rules)))}
            onCommit={(text) => change('its own name', { hostName: text === '' ? undefined : text })}
          />
          <TextInput
            showLabel
            label="Administrator"
            value={access.administrator ?? ''}
            whenEmpty="not said"
            check={(text) => (text === '' ? undefined : nameCheck(administratorProblem(text, rules)))}
            onCommit={(text) => change('administrator', { administrator: text === '' ? undefined : text })}
          />
          <Field>
            <span>Signs in by</span>
            <ToggleRow
              label="Signs in by"
              mode="one"
              options={[
                { id: 'unsaid', label: 'not said' },
                { id: 'key', label: 'key' },
                { id: 'password', label: 'password' },
              ]}
              chosen={[access.signIn ?? 'unsaid']}
              onChange={([id]) => change('sign-in', { signIn: id === 'unsaid' ? undefined : (id as 'key') })}
            />
          </Field>
        </Line>
        <Note>No key and no password is asked for or kept here.</Note>
      </Block>
      <Block aria-label="Inbound rules">
        <h2>What may come in</h2>
        {inbound.length === 0 && <p>Nothing may come in from outside.</p>}
        {inbound.length > 0 && (
          <Table>
            <thead>
              <tr>
                <th scope="col">Protocol</th>
                <th scope="col">Ports</th>
                <th scope="col">From</th>
                <td />
              </tr>
            </thead>
            <tbody>
              {inbound.map((rule, at) => (
                <InboundRow
                  key={at}
                  rule={rule}
                  at={at + 1}
                  onChange={(next) => setInbound(inbound.map((each, i) => (i === at ? next : each)))}
                  onRemove={() => setInbound(inbound.filter((_, i) => i !== at))}
                />
              ))}
            </tbody>
          </Table>
        )}
        <div>
          <Button
            isDisabled={inbound.length >= MOST_INBOUND_RULES}
            onPress={() => setInbound([...inbound, newRule(rules, inbound)])}
          >
            Add a rule
          </Button>
        </div>
      </Block>
    </>
  )
}

/** What the watch list says of access, where it can be mended. */
function AccessWarnings() {
  const { result } = useWorkbench()
  const resolved = result?.ok ? result.resolved : undefined
  const findings = useMemo(() => (resolved ? accessFindings(resolved) : []), [resolved])
  if (!resolved || findings.length === 0) return null
  return (
    <Warnings aria-label="Warnings of access">
      {findings.map((finding) => (
        <WatchItem
          key={finding.key}
          finding={finding}
          resolved={resolved}
          currency={resolved.index.book.currency}
        />
      ))}
    </Warnings>
  )
}

const Warnings = styled.ul`
  margin-top: 12px;
`

const Block = styled.section`
  display: grid;
  gap: 8px;
  margin-top: 16px;
  min-width: 0;
`

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 10px 20px;
  align-items: start;
`

const Field = styled.div`
  display: grid;
  gap: 3px;
`

const Note = styled.p`
  font-size: 12px;
  color: var(--ink-2);
`

const Table = styled.table`
  border-collapse: collapse;

  th {
    text-align: left;
    font-weight: 400;
    font-size: 12px;
    color: var(--ink-2);
  }
  td,
  th {
    padding: 4px 14px 4px 0;
    vertical-align: top;
  }
  tbody td {
    border-top: 1px solid var(--rule);
  }
  ${media.narrow} {
    display: block;

    thead {
      display: none;
    }
    tbody,
    tr,
    td {
      display: block;
    }
    td + td {
      border-top: 0;
    }
  }
`
