'use client'

import { useCallback, useEffect, useState } from 'react'
import styled from 'styled-components'
import { Button, QuietButton } from '../../interface/Button'
import { Dialog } from '../../interface/Dialog'
import type { Plan } from '../../core/machine/plan.ts'
import type { OnShelf } from '../../store/planShelf.ts'
import { freeName } from '../../store/recipes.ts'
import { download } from '../workbench/download.ts'
import { fileName } from '../workbench/fileName.ts'
import { emptyPlan } from '../workbench/emptyPlan.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { ComparePlans } from './ComparePlans'
import { openPlan } from '../../store/openPlan.ts'

interface PlansDialogProps {
  readonly onClose: () => void
}

const MOST_EARLIER = 12

/** The plans of this browser: which is open, what else there is, and what differs. */
export function PlansDialog({ onClose }: PlansDialogProps) {
  const { session, state, go } = useWorkbench()
  const { plan } = state
  const [shelf, setShelf] = useState<readonly OnShelf[]>()
  const [problem, setProblem] = useState<string>()
  const [unread, setUnread] = useState<{ readonly id: string; readonly file: unknown }>()
  const [compared, setCompared] = useState<{ readonly name: string; readonly plan: Plan }>()
  const refresh = useCallback(() => {
    session.shelf.list().then(
      (all) => setShelf(all.filter(({ id }) => id !== session.snapshot().plan.id)),
      () => setProblem('The browser does not store plans for this page: only the open one is there.'),
    )
  }, [session])
  useEffect(refresh, [refresh])
  const taken = [plan.name, ...(shelf ?? []).map(({ name }) => name)]
  const open = async (other: Plan): Promise<void> => {
    await openPlan(session, other)
    go({ view: 'bench', machine: undefined, month: undefined })
    onClose()
  }
  const withPlan = async (id: string, then: (found: Plan) => void): Promise<void> => {
    setProblem(undefined)
    setUnread(undefined)
    const found = await session.shelf.get(id)
    if (found?.ok) return then(found.value)
    const [issue] = found?.issues ?? []
    const file = await session.shelf.raw(id)
    setProblem(
      issue
        ? `This plan cannot be opened: ${issue.problem} Expected: ${issue.expected} It stays here as it is.`
        : 'This plan is no longer here: another tab deleted it.',
    )
    if (issue) setUnread({ id, file })
  }
  const change = (work: Promise<void>): void =>
    void work.then(refresh, () => setProblem('That could not be stored.'))
  const { id, ...asFile } = plan
  if (compared) {
    return (
      <ComparePlans
        before={compared.plan}
        beforeName={compared.name}
        onBack={() => setCompared(undefined)}
        onClose={onClose}
      />
    )
  }
  const line = (each: OnShelf) => (
    <li key={each.id}>
      <span>
        <b>{each.name}</b> <small>{each.machines === 1 ? '1 machine' : `${each.machines} machines`}</small>
      </span>
      <Button
        aria-label={`Open ${each.name}`}
        onPress={() => void withPlan(each.id, (found) => void open(found))}
      >
        Open
      </Button>
      <QuietButton
        aria-label={`Compare ${each.name} with the open plan`}
        onPress={() => void withPlan(each.id, (found) => setCompared({ name: each.name, plan: found }))}
      >
        Compare
      </QuietButton>
      <QuietButton
        aria-label={`${each.archived ? 'Bring back' : 'Archive'} ${each.name}`}
        onPress={() => change(session.shelf.archive(each.id, !each.archived))}
      >
        {each.archived ? 'Bring back' : 'Archive'}
      </QuietButton>
      {each.archived && (
        <QuietButton
          aria-label={`Delete ${each.name} for good`}
          onPress={() => change(session.shelf.delete(each.id))}
        >
          Delete for good
        </QuietButton>
      )}
    </li>
  )
  const [present, archived] = [false, true].map(
    (wanted) => shelf?.filter((each) => each.archived === wanted) ?? [],
  )
  return (
    <Dialog title="Plans" isOpen onClose={onClose}>
      <p>
        <b>{plan.name}</b> is open, with{' '}
        {plan.machines.length === 1 ? '1 machine' : `${plan.machines.length} machines`}. Opening another lays
        it aside as it is; undo brings it back.
      </p>
      <Line>
        <Button onPress={() => void open({ ...emptyPlan(), name: freeName('New plan', taken) })}>
          New plan
        </Button>
        <Button onPress={() => void open({ ...asFile, name: freeName(plan.name, taken) })}>
          Duplicate this one
        </Button>
      </Line>
      {problem && <p role="alert">{problem}</p>}
      {unread && (
        <Line>
          <Button
            onPress={() =>
              download(`${fileName(unread.id)}.as-stored.json`, JSON.stringify(unread.file, undefined, 2))
            }
          >
            Save it as it lies
          </Button>
        </Line>
      )}
      {present!.length > 0 && <List aria-label="Other plans">{present!.map(line)}</List>}
      {archived!.length > 0 && (
        <>
          <h3>Archived</h3>
          <List aria-label="Archived plans">{archived!.map(line)}</List>
        </>
      )}
      <h3>Compare with an earlier state of this plan</h3>
      {session.earlier().length === 0 && <p>Nothing was changed yet.</p>}
      <List aria-label="Earlier states">
        {session
          .earlier()
          .slice(0, MOST_EARLIER)
          .map((step) => (
            <li key={step.seq}>
              <span>before “{step.label}”</span>
              <QuietButton
                aria-label={`Compare with the plan before ${step.label}`}
                onPress={async () => {
                  const before = await session.planBefore(step)
                  if (before) setCompared({ name: `before “${step.label}”`, plan: before })
                  else
                    setProblem(
                      `What the plan was before “${step.label}” can no longer be told: a step is damaged.`,
                    )
                }}
              >
                Compare
              </QuietButton>
            </li>
          ))}
      </List>
      <Button onPress={onClose}>Close</Button>
    </Dialog>
  )
}

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
`

const List = styled.ul`
  li {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 6px;
    align-items: center;
    padding: 3px 0;
    border-top: 1px solid var(--rule);
  }
  span {
    flex: 1 1 200px;
  }
  small {
    font-size: 12px;
    color: var(--ink-2);
  }
`
