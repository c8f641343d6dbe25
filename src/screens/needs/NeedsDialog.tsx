'use client'

import { jurisdictions } from '../../core/catalogue/jurisdictions.ts'
import { NO_CURRENCY } from '../../core/quantity/currency.ts'
import { useMemo, useState, type ReactNode } from 'react'
import styled from 'styled-components'
import { easing, heldNeeds, isEased, needsAsked, type NeedId } from '../../core/fit/needId.ts'
import { IMAGE_NEEDS } from '../../core/machine/imageNeed.ts'
import { KEEPS, type Keep } from '../../core/machine/needs.ts'
import { heldBy } from '../../core/machine/heldBy.ts'
import type { Machine } from '../../core/machine/plan.ts'
import { closedByNeed } from '../../core/notches/closedByNeed.ts'
import { gib } from '../../core/quantity/units.ts'
import { Button } from '../../interface/Button'
import { Dialog } from '../../interface/Dialog'
import { Dropdown } from '../../interface/Dropdown'
import { NumberInput } from '../../interface/NumberInput'
import { ToggleRow } from '../../interface/ToggleRow'
import { media } from '../../interface/theme/media'
import { formatMoney } from '../../wording/money'
import { HELD_LABELS, IMAGE_NEED_NAMES, KEEP_LABELS } from '../../wording/needs'
import { isZero } from '../../core/quantity/exact.ts'
import { ApartRow } from '../apart/ApartRow'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { PlacesDialog } from './PlacesDialog'
import { useNeedCosts, type NeedCost } from './useNeedCosts'
import { useNeeds, type NeedsPart } from './useNeeds'
import type { Plate } from '../../core/notches/plate.ts'

interface NeedsDialogProps {
  readonly machine: Machine
  readonly plates: readonly Plate[]
  readonly onClose: () => void
}

/** All that can be asked of a machine; beside each need, how many choices it closes and what it costs. */
export function NeedsDialog({ machine, plates, onClose }: NeedsDialogProps) {
  return (
    <Dialog title={`What ${machine.name} must have`} isOpen onClose={onClose}>
      <Fields machine={machine} plates={plates} />
      <Button onPress={onClose}>Done</Button>
    </Dialog>
  )
}

const ANY = 'any'
const AS_NOW = 'as now'

/** What a machine has now and keeps, unless it is let go here; its architecture has a row of its own. */
const HELD_IDS = ['disk-rooms', 'interruption', 'data'] as const

const KEEP_OPTIONS = KEEPS.map((id) => ({ id, label: KEEP_LABELS[id] }))

function Fields({ machine, plates }: Omit<NeedsDialogProps, 'onClose'>) {
  const { state, result } = useWorkbench()
  const [placesOpen, setPlacesOpen] = useState(false)
  const need = useNeeds(machine.name)
  const { needs } = machine
  const closed = useMemo(() => closedByNeed(plates), [plates])
  const held = useMemo(() => (result?.ok ? heldBy(result.resolved) : undefined), [result])
  const asked = useMemo(() => needsAsked(needs, held), [needs, held])
  const there = heldNeeds(held)
  const heldHere = HELD_IDS.filter((id) => there.includes(id))
  const costOf = useNeedCosts(machine, asked)
  const currency = result?.ok ? result.estimate.currency : NO_CURRENCY
  const places = state.plan.places ?? []
  const known = useMemo(() => jurisdictions(state.books), [state.books])
  const row = (label: string, ids: readonly NeedId[], field: ReactNode): ReactNode => (
    <tr>
      <th scope="row">{label}</th>
      <td>
        <Line>{field}</Line>
      </td>
      <Impact>
        {ids
          .filter((id) => asked.includes(id))
          .map((id) => (
            <span key={id}>{impactText(closed.get(id) ?? 0, costOf(id), currency)}</span>
          ))}
      </Impact>
    </tr>
  )
  const figure = (
    label: string,
    unit: string,
    value: number,
    most: number,
    onChange: (n: number) => void,
  ) => <NumberInput label={label} unit={unit} value={value} step={1} most={most} onChange={onChange} />
  return (
    <>
      <Table>
        <thead>
          <tr>
            <th scope="col">At least</th>
            <td />
            <Impact as="th" scope="col">
              closes, and costs
            </Impact>
          </tr>
        </thead>
        <tbody>
          {row(
            'vCPU',
            ['vcpu'],
            figure('Needed vCPU', 'vCPU', needs.vcpu, 4_096, (vcpu) => need({ vcpu })),
          )}
          {row(
            'Memory',
            ['memory'],
            figure('Needed memory in GiB', 'GiB', needs.memoryGiB, 65_536, (memory) =>
              need({ memoryGiB: gib(memory) }),
            ),
          )}
          {row(
            'Disks',
            ['iops', 'throughput', 'disk'],
            <>
              {figure('Needed IOPS', 'IOPS', needs.iops, 10_000_000, (iops) => need({ iops }))}
              {figure('Needed MB/s', 'MB/s', needs.megabytesPerSecond ?? 0, 1_000_000, (value) =>
                need({ megabytesPerSecond: value || undefined }),
              )}
              {figure('Needed disk room in GiB', 'GiB in all', needs.diskGiB ?? 0, 4_000_000, (value) =>
                need({ diskGiB: value ? gib(value) : undefined }),
              )}
            </>,
          )}
          {row(
            'Accelerators',
            ['accelerators'],
            figure('Needed accelerators', '', needs.accelerators ?? 0, 64, (value) =>
              need({ accelerators: value || undefined }),
            ),
          )}
          {row(
            'Image',
            ['image'],
            <Dropdown
              label="Needed image"
              value={needs.image ?? 'this'}
              options={[
                { id: 'this', name: 'this image' },
                ...IMAGE_NEEDS.map((id) => ({ id, name: IMAGE_NEED_NAMES[id] })),
              ]}
              onChange={(id) => need({ image: IMAGE_NEEDS.find((each) => each === id) })}
            />,
          )}
          {row(
            'Architecture',
            ['architecture'],
            <Dropdown
              label="Needed architecture"
              value={needs.architecture ?? AS_NOW}
              options={[
                { id: AS_NOW, name: held?.architecture ? `as now: ${held.architecture}` : 'as now' },
                ...['x86-64', 'arm64', ANY].map((id) => ({ id, name: id })),
              ]}
              onChange={(id) =>
                need({
                  architecture: id === AS_NOW ? undefined : (id as NonNullable<typeof needs.architecture>),
                })
              }
            />,
          )}
          {row(
            'As now',
            ['disk-rooms', 'interruption', 'data'],
            <ToggleRow
              label="What stays as it is now"
              mode="any"
              options={heldHere.map((id) => ({ id, label: HELD_LABELS[id] }))}
              chosen={heldHere.filter((id) => !isEased(needs, id))}
              onChange={(ids) =>
                need(Object.assign({}, ...heldHere.map((id) => easing(id, !ids.includes(id)))) as NeedsPart)
              }
            />,
          )}
          {row(
            'Where it may stand',
            ['jurisdictions'],
            <ToggleRow
              label="Jurisdictions allowed"
              mode="any"
              options={known.map((id) => ({ id, label: id }))}
              chosen={needs.jurisdictions ?? []}
              onChange={(chosen) => need({ jurisdictions: chosen.length > 0 ? chosen : undefined })}
            />,
          )}
          {row(
            'Near to',
            ['round-trip'],
            <>
              {places.length > 0 && (
                <ToggleRow
                  label="Used from"
                  mode="any"
                  options={places.map(({ name }) => ({ id: name, label: name }))}
                  chosen={needs.usedFrom ?? []}
                  onChange={(chosen) => need({ usedFrom: chosen.length > 0 ? chosen : undefined })}
                />
              )}
              <Button onPress={() => setPlacesOpen(true)}>Places…</Button>
              {figure('Longest round trip in ms', 'ms at most', needs.roundTripMs ?? 0, 10_000, (value) =>
                need({ roundTripMs: value || undefined }),
              )}
            </>,
          )}
          {row('Kept apart', ['apart'], <ApartRow machine={machine} />)}
          {row(
            'Off, it keeps',
            KEEPS.map((keep): NeedId => `keep-${keep}`),
            <ToggleRow<Keep>
              label="What it must keep while off"
              mode="any"
              options={KEEP_OPTIONS}
              chosen={needs.keeps ?? []}
              onChange={(chosen) => need({ keeps: chosen.length > 0 ? chosen : undefined })}
            />,
          )}
          {row(
            'Back within',
            ['back-within'],
            figure('Back within seconds', 's', needs.backWithinSeconds ?? 0, 86_400, (value) =>
              need({ backWithinSeconds: value || undefined }),
            ),
          )}
        </tbody>
      </Table>
      <Note>
        What a need costs: the cheapest machine that fits, less the cheapest that fits without that need. All
        that is not pinned may change for it. Zero asks for nothing.
      </Note>
      {placesOpen && <PlacesDialog onClose={() => setPlacesOpen(false)} />}
    </>
  )
}

function impactText(closes: number, cost: NeedCost, currency: string): string {
  const choices = `${closes} ${closes === 1 ? 'choice' : 'choices'}`
  if (cost === 'reckoning') return `${choices}, …`
  if (cost === 'failed') return `${choices}, not reckoned: it failed`
  if (cost === 'nothing-fits') return `${choices}, nothing fits`
  return `${choices}, ${isZero(cost) ? 'costs nothing' : `${formatMoney(cost, currency)} a month`}`
}

/** Widths are given, so that nothing moves under the hand when what a need costs has been worked out. */
const Table = styled.table`
  border-collapse: collapse;
  table-layout: fixed;
  width: 100%;

  thead th:first-child {
    width: 128px;
  }
  thead th:last-child {
    width: 188px;
  }
  ${media.phone} {
    thead th:first-child {
      width: 82px;
    }
    thead th:last-child {
      width: 104px;
    }
  }

  th,
  td {
    padding: 5px 10px 5px 0;
    text-align: left;
    vertical-align: baseline;
    font-weight: 400;
    border-top: 1px solid var(--rule);
  }
  thead th,
  thead td {
    border-top: 0;
    font-size: 12px;
    color: var(--ink-2);
  }
  tbody th {
    font-weight: 560;
  }
`

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 5px 10px;
  align-items: baseline;
`

const Impact = styled.td`
  text-align: right !important;
  padding-right: 0 !important;
  font-size: 12px;
  color: var(--ink-2);

  span {
    display: block;
    white-space: nowrap;
  }
  ${media.phone} {
    span {
      white-space: normal;
      /* As high as what it will say. */
      min-height: 3.6em;
    }
  }
`

const Note = styled.p`
  font-size: 12px;
  color: var(--ink-2);
`
