'use client'

import { jurisdictions as jurisdictionsKnown } from '../../core/catalogue/jurisdictions.ts'
import { useState } from 'react'
import styled from 'styled-components'
import { bookFor } from '../../core/catalogue/bookFor.ts'
import type { ApartGroup } from '../../core/machine/apartGroup.ts'
import { freeGroupName } from '../../core/wholePlan/inSeveralZones.ts'
import type { ManyChange } from '../../core/wholePlan/changeMany.ts'
import type { LifeDates } from '../../core/machine/life.ts'
import { TAG_KEY } from '../../core/machine/plan.ts'
import { POWER_STATES, type OffState } from '../../core/off/powerState.ts'
import { isOneLine } from '../../files/reading/oneLine.ts'
import { Button } from '../../interface/Button'
import { Dialog } from '../../interface/Dialog'
import { Dropdown, type DropdownOption } from '../../interface/Dropdown'
import { TextInput } from '../../interface/TextInput'
import { HELD_NEEDS, type HeldNeed } from '../../core/fit/needId.ts'
import { HELD_LABELS } from '../../wording/needs'
import { ToggleRow } from '../../interface/ToggleRow'
import { apartGroupText } from '../../wording/apart'
import { OFF_NAMES } from '../../wording/state'
import { addApartGroup } from '../../store/apartCommands.ts'
import { addWeek, replaceMachines } from '../../store/commands.ts'
import { manyAsker } from '../../workers/askers.ts'
import { useAnswer } from '../../workers/useAnswer.ts'
import { ChangedMachines } from '../workbench/ChangedMachines'
import { LifeFields } from '../workbench/LifeFields'
import { offeredWeeks } from '../workbench/offeredWeeks.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { ChangeSum } from '../workbench/ChangeSum'
import { MachineReasons } from './MachineReasons'

export const MANY_KINDS = {
  week: 'Week plan',
  off: 'State when off',
  region: 'Region',
  terms: 'Terms',
  tag: 'Tag',
  'cost-centre': 'Cost centre',
  life: 'First and last day',
  jurisdictions: 'Where data may be',
  'as-now': 'What may go',
  apart: 'Kept apart',
} as const
export type ManyKind = keyof typeof MANY_KINDS

interface ChangeManyProps {
  readonly kind: ManyKind
  readonly names: ReadonlySet<string>
  readonly onClose: () => void
}

/** One change for many machines: what it changes on each is shown before it is made. */
export function ChangeMany({ kind, names, onClose }: ChangeManyProps) {
  const { session, state, month, address } = useWorkbench()
  const { plan, books } = state
  const { reading } = address
  const [change, setChange] = useState<ManyChange>()
  const { answer, isStale, failure } = useAnswer(
    manyAsker,
    change && { plan, books, month, reading, names, change },
  )
  const outcome = isStale ? undefined : answer
  return (
    <Dialog title={`${MANY_KINDS[kind]} of ${countText(names.size)}`} isOpen onClose={onClose}>
      <Asked kind={kind} names={names} onChange={setChange} />
      {change && !outcome && !failure && <p role="status">Pricing {countText(names.size)}…</p>}
      {failure && <p role="alert">{failure}</p>}
      {outcome && outcome.forms.length === 0 && outcome.left.length === 0 && <p>They are so already.</p>}
      <MachineReasons label="Stay as they are" says="stays as it is" machines={outcome?.left} />
      <MachineReasons label="Do not meet it" says="does not meet it as it is" machines={outcome?.unfit} />
      {change && outcome && outcome.forms.length > 0 && (
        <>
          <ChangeSum changes={outcome.changes} />
          <ChangedMachines changes={outcome.changes} names={outcome.forms.map(({ name }) => name)} />
          <Button
            onPress={() => {
              const { forms } = outcome
              session.edit(`${MANY_KINDS[kind].toLowerCase()} of ${countText(forms.length)}`, (draft) => {
                if (change.kind === 'week' && change.added) addWeek(change.added)(draft)
                if (change.kind === 'apart' && change.added) addApartGroup(change.added)(draft)
                replaceMachines(forms)(draft)
              })
              onClose()
            }}
          >
            Change {countText(outcome.forms.length)}
          </Button>
        </>
      )}
      <Button onPress={onClose}>{outcome?.forms.length ? 'Leave them as they are' : 'Close'}</Button>
    </Dialog>
  )
}

const countText = (count: number): string => `${count} ${count === 1 ? 'machine' : 'machines'}`

interface AskedProps {
  readonly kind: ManyKind
  readonly names: ReadonlySet<string>
  readonly onChange: (change: ManyChange) => void
}

function Asked({ kind, names, onChange }: AskedProps) {
  const { state, month } = useWorkbench()
  const { plan, books } = state
  const [value, setValue] = useState('')
  const [key, setKey] = useState('')
  if (kind === 'tag' || kind === 'cost-centre') {
    const take = (nextKey: string, next: string): void => {
      setKey(nextKey)
      setValue(next)
      const text = next.trim() === '' ? undefined : next.trim()
      if (kind === 'cost-centre') onChange({ kind, costCentre: text })
      else if (nextKey.trim() !== '') onChange({ kind, key: nextKey.trim(), value: text })
    }
    return (
      <Line>
        {kind === 'tag' && (
          <TextInput
            label="Key"
            showLabel
            value={key}
            whenEmpty="system"
            check={(text) =>
              TAG_KEY.test(text) ? undefined : 'At most 40 letters that begin with a letter or digit.'
            }
            onCommit={(text) => take(text, value)}
          />
        )}
        <TextInput
          label={kind === 'tag' ? 'Value' : 'Cost centre'}
          showLabel
          value={value}
          whenEmpty="empty takes it away"
          check={(text) => (isOneLine(text, 60) ? undefined : 'One line of at most 60 letters.')}
          onCommit={(text) => take(key, text)}
        />
        {kind === 'cost-centre' && value === '' && (
          <Button onPress={() => take('', '')}>Clear the cost centre</Button>
        )}
      </Line>
    )
  }
  if (kind === 'life') return <LifeAsked onChange={onChange} />
  if (kind === 'as-now') return <AsNowAsked onChange={onChange} />
  if (kind === 'apart') return <ApartAsked names={names} onChange={onChange} />
  if (kind === 'jurisdictions') return <JurisdictionsAsked onChange={onChange} />
  const providers = new Set(
    plan.machines.filter(({ name }) => names.has(name)).map(({ provider }) => provider),
  )
  const indexes = [...providers].flatMap((id) => {
    const index = bookFor(id, books, month)
    return index.ok ? [index.value] : []
  })
  const options: { readonly option: DropdownOption; readonly change: ManyChange }[] =
    kind === 'week'
      ? offeredWeeks(plan).map(({ week, isNew }) => ({
          option: { id: week.id, name: week.name },
          change: { kind, week: week.id, ...(isNew && { added: week }) },
        }))
      : kind === 'off'
        ? POWER_STATES.filter((off) => indexes.some(({ book }) => book.states[off])).map((off: OffState) => ({
            option: { id: off, name: OFF_NAMES[off] },
            change: { kind, off: { off } },
          }))
        : indexes.flatMap(({ book }) => {
            const { provider } = book
            const list = kind === 'region' ? book.regions : book.terms
            return list.map(({ id, name }) => ({
              option: {
                id: `${provider.id}/${id}`,
                name: indexes.length > 1 ? `${name}, ${provider.name}` : name,
              },
              change:
                kind === 'region'
                  ? ({ kind, provider: provider.id, region: id } as const)
                  : ({ kind, provider: provider.id, terms: id } as const),
            }))
          })
  return (
    <Dropdown
      label={MANY_KINDS[kind]}
      value={value || 'Choose…'}
      options={options.map(({ option }) => option)}
      onChange={(id) => {
        setValue(id)
        const found = options.find(({ option }) => option.id === id)
        if (found) onChange(found.change)
      }}
    />
  )
}

type AskedOne = Pick<AskedProps, 'onChange'>

function LifeAsked({ onChange }: AskedOne) {
  const [days, setDays] = useState<LifeDates>({})
  const take = (part: { readonly [Field in keyof LifeDates]: string | undefined }): void => {
    const { firstDay, lastDay } = { ...days, ...part }
    setDays({ ...(firstDay && { firstDay }), ...(lastDay && { lastDay }) })
    onChange({ kind: 'life', firstDay: firstDay || undefined, lastDay: lastDay || undefined })
  }
  return (
    <Line>
      <LifeFields days={days} onChange={take} />
      <Button onPress={() => take({ firstDay: undefined, lastDay: undefined })}>Clear both</Button>
    </Line>
  )
}

function JurisdictionsAsked({ onChange }: AskedOne) {
  const { state } = useWorkbench()
  const [chosen, setChosen] = useState<readonly string[]>([])
  const known = jurisdictionsKnown(state.books)
  const take = (jurisdictions: readonly string[]): void => {
    setChosen(jurisdictions)
    onChange({ kind: 'jurisdictions', jurisdictions })
  }
  return (
    <Line>
      <ToggleRow
        label="Where data may be"
        mode="any"
        options={known.map((id) => ({ id, label: id }))}
        chosen={chosen}
        onChange={take}
      />
      <Button onPress={() => take([])}>Anywhere</Button>
    </Line>
  )
}

const GOES = [
  { id: 'may-go', label: 'may go' },
  { id: 'as-now', label: 'stays as now' },
] as const

function AsNowAsked({ onChange }: AskedOne) {
  const [needs, setNeeds] = useState<readonly HeldNeed[]>([])
  const [goes, setGoes] = useState<(typeof GOES)[number]['id']>('may-go')
  const take = (next: readonly HeldNeed[], how: typeof goes): void => {
    setNeeds(next)
    setGoes(how)
    onChange({ kind: 'as-now', needs: next, mayGo: how === 'may-go' })
  }
  return (
    <Line>
      <ToggleRow
        label="What they have now"
        mode="any"
        options={HELD_NEEDS.map((id) => ({ id, label: HELD_LABELS[id] }))}
        chosen={needs}
        onChange={(chosen) => take(chosen, goes)}
      />
      <ToggleRow
        label="May it go"
        mode="one"
        options={GOES}
        chosen={[goes]}
        onChange={([how]) => how && take(needs, how)}
      />
    </Line>
  )
}

const NO_GROUP = ' none'
const NEW_GROUP = ' new'

/** Ids that no group can have stand for none and for a new one. */
function ApartAsked({ names, onChange }: Pick<AskedProps, 'names' | 'onChange'>) {
  const { plan } = useWorkbench().state
  const [value, setValue] = useState('')
  const groups = plan.apartGroups ?? []
  const [first = 'group'] = names
  const added: ApartGroup = { name: freeGroupName(first, plan), mostInZone: 1 }
  const changeOf = (id: string): ManyChange => {
    if (id === NO_GROUP) return { kind: 'apart', apart: undefined }
    if (id === NEW_GROUP) return { kind: 'apart', apart: { group: added.name }, added }
    return { kind: 'apart', apart: { group: id } }
  }
  return (
    <Dropdown
      label="Kept apart in group"
      value={value || 'Choose…'}
      options={[
        ...groups.map((group) => ({ id: group.name, name: `${group.name}: ${apartGroupText(group)}` })),
        { id: NEW_GROUP, name: `a new group “${added.name}”: ${apartGroupText(added)}` },
        { id: NO_GROUP, name: 'from none' },
      ]}
      onChange={(id) => {
        setValue(id)
        onChange(changeOf(id))
      }}
    />
  )
}

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: baseline;
`
