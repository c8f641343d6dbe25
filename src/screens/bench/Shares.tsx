'use client'

import { memo, useMemo, useState } from 'react'
import styled from 'styled-components'
import {
  foldShares,
  tagKeys,
  SHARE_FOLDS,
  type SharedMachine,
  type ShareFold,
  type ShareOrder,
} from '../../core/wholePlan/foldShares.ts'
import type { OverviewPart } from '../../core/wholePlan/planOverview.ts'
import { Button } from '../../interface/Button'
import { Dropdown } from '../../interface/Dropdown'
import { TextInput } from '../../interface/TextInput'
import { currencySymbol } from '../../wording/money'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { barLength } from '../month/MonthBar'
import { SelectBox } from './SelectBox'
import { ShareHeading } from './ShareHeading'
import { ShareRow } from './ShareRow'
import { ShareTable } from './ShareTable.styles.ts'
import { groupName } from './groupName.ts'
import { joinGroups } from './joinGroups.ts'

interface SharesProps {
  readonly part: Extract<OverviewPart, { kind: 'month' }> | undefined
  readonly selected: ReadonlySet<string>
  readonly onSelect: (selected: ReadonlySet<string>) => void
}

/** Rows that are shown at once; the smallest after them are one row until it is opened. */
const MOST_ROWS = 16

const FOLD_NAMES = {
  machine: 'by machine',
  provider: 'by provider',
  region: 'by region',
  week: 'by week plan',
  'cost-centre': 'by cost centre',
} as const

const COLUMNS: readonly { readonly order: ShareOrder; readonly name: string }[] = [
  { order: 'kept', name: 'kept' },
  { order: 'asked', name: 'asked for' },
  { order: 'leak', name: 'leak' },
  { order: 'total', name: 'month' },
  { order: 'saved', name: 'saved' },
]

/** Each bar is a machine, or machines that have something in common: what is kept, asked for and leaks, and what switching off saves. */
export const Shares = memo(function Shares({ part, selected, onSelect }: SharesProps) {
  const { state, address, mend } = useWorkbench()
  const { plan, books } = state
  const { order } = address.bench
  const tags = useMemo(() => tagKeys(plan.machines), [plan.machines])
  // A link may name a tag that no machine has any more.
  const fold =
    [...SHARE_FOLDS, ...tags.map((key) => `tag:${key}` as const)].find(
      (each) => each === address.bench.fold,
    ) ?? 'machine'
  const [search, setSearch] = useState('')
  const [showsAll, setShowsAll] = useState(false)
  const [opened, setOpened] = useState<ReadonlySet<string>>(new Set())
  const byName = useMemo(() => new Map(part?.rows.map((row) => [row.name, row])), [part])
  const shares = useMemo(() => {
    const wanted = search.trim().toLowerCase()
    return plan.machines.flatMap((machine): SharedMachine[] => {
      const row = byName.get(machine.name)
      const words = [
        machine.name,
        machine.purpose,
        machine.costCentre ?? '',
        ...Object.values(machine.tags ?? {}),
      ]
      const isFound = wanted === '' || words.some((word) => word.toLowerCase().includes(wanted))
      return isFound && row?.priced && row.shown ? [{ machine, ...row.shown }] : []
    })
  }, [plan.machines, byName, search])
  const groups = useMemo(() => foldShares(shares, fold, order), [shares, fold, order])
  const without = part?.rows.filter((row) => !row.priced || !row.shown) ?? []
  const shownGroups = showsAll || groups.length <= MOST_ROWS + 1 ? groups : groups.slice(0, MOST_ROWS)
  const rest = groups.slice(shownGroups.length)
  const scale = groups.reduce((most, group) => Math.max(most, barLength(group)), 0)
  const symbol = part ? currencySymbol(part.totals.currency) : ''
  const folds: readonly { readonly id: ShareFold; readonly name: string }[] = [
    ...SHARE_FOLDS.map((id) => ({ id, name: FOLD_NAMES[id] })),
    ...tags.map((key) => ({ id: `tag:${key}` as const, name: `by ${key}` })),
  ]
  const choose = (bench: Partial<typeof address.bench>): void =>
    mend({ bench: { ...address.bench, ...bench } })
  const toggle = (names: readonly string[], on: boolean): void => {
    const next = new Set(selected)
    for (const name of names) if (on) next.add(name); else next.delete(name) // prettier-ignore
    onSelect(next)
  }
  const everyone = shares.map(({ machine }) => machine.name)
  if (!part) return <Waiting>Pricing {plan.machines.length} machines…</Waiting>
  return (
    <section aria-label="Where the month goes">
      <Bar>
        <Dropdown
          label="Put machines together"
          value={fold}
          options={folds}
          onChange={(id) => choose({ fold: id as ShareFold })}
        />
        <TextInput
          label="Search machines"
          value={search}
          whenEmpty="search name, purpose, tag"
          check={() => undefined}
          onCommit={setSearch}
        />
      </Bar>
      <ShareTable>
        <thead>
          <tr>
            <th scope="col">
              <SelectBox
                label="Select every machine that is shown"
                checked={everyone.length > 0 && everyone.every((name) => selected.has(name))}
                onChange={(on) => toggle(everyone, on)}
              />
            </th>
            <ShareHeading
              order="name"
              name={fold === 'machine' ? 'machine' : 'together'}
              now={order}
              onSort={choose}
            />
            <th scope="col">
              <Unit>{symbol} this month</Unit>
            </th>
            {COLUMNS.map(({ order: each, name }) => (
              <ShareHeading key={each} order={each} name={name} now={order} onSort={choose} />
            ))}
          </tr>
        </thead>
        <tbody>
          {shownGroups.map((group) => (
            <ShareRow
              key={group.key}
              group={group}
              name={groupName(fold, group.key, plan, books)}
              isMachine={fold === 'machine'}
              scale={scale}
              selected={selected}
              onToggle={toggle}
              isOpen={opened.has(group.key)}
              onOpen={(open) => {
                const next = new Set(opened)
                if (open) next.add(group.key)
                else next.delete(group.key)
                setOpened(next)
              }}
              members={shares}
              order={order}
            />
          ))}
          {rest.length > 0 && (
            <ShareRow
              group={joinGroups(rest)}
              name={`${rest.length} more`}
              isMachine={false}
              scale={scale}
              selected={selected}
              onToggle={toggle}
              isOpen={false}
              onOpen={() => setShowsAll(true)}
              members={[]}
              order={order}
            />
          )}
        </tbody>
      </ShareTable>
      {shares.length === 0 && search !== '' && (
        <Waiting>No machine has “{search}” in its name, purpose or tags.</Waiting>
      )}
      {showsAll && groups.length > MOST_ROWS + 1 && (
        <Button onPress={() => setShowsAll(false)}>Fold the smallest</Button>
      )}
      {without.length > 0 && (
        <Without>
          Without {without.map(({ name }) => name).join(', ')}:{' '}
          {without.length === 1 ? 'it has' : 'they have'} no price this month, or no exchange rate.
        </Without>
      )}
    </section>
  )
})

const Bar = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
  margin: 8px 0 6px;
`

const Unit = styled.span`
  font-size: 12px;
  color: var(--ink-2);
`

const Waiting = styled.p`
  padding: 20px 0;
  color: var(--ink-2);
`

const Without = styled.p`
  margin-top: 6px;
  color: var(--leak);
`
