'use client'

import { ownValue } from '../../core/ownValue.ts'
import styled from 'styled-components'
import { mayCarry } from '../../core/catalogue/notKnown.ts'
import type { DiskKind } from '../../core/catalogue/priceBook.ts'
import { diskReach, type Reach } from '../../core/fit/diskReach.ts'
import { disksOf, type ResolvedDisk } from '../../core/machine/resolveMachine.ts'
import { MOST_DATA_DISKS, type Disk } from '../../core/machine/plan.ts'
import type { PricedMachine } from '../../core/meter/planPricing.ts'
import { gib } from '../../core/quantity/units.ts'
import { Button } from '../../interface/Button'
import { Dropdown } from '../../interface/Dropdown'
import { NumberInput } from '../../interface/NumberInput'
import { Tick } from '../../interface/Tick'
import { diskName } from '../../wording/charge'
import type { PowerState } from '../../core/off/powerState.ts'
import { NOT_KNOWN } from '../../wording/notKnown'
import { STATE_NAMES } from '../../wording/state'
import { setDisk, setMachine, type DiskPart } from '../../store/commands.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { DiskSnapshots } from './DiskSnapshots'
import { formatNumber } from '../../wording/number'

const LIMIT_TEXT = {
  room: 'more room would give more',
  kind: 'the kind gives no more',
  size: 'the size passes no more',
  'not-known': '',
} as const satisfies Record<Reach['limit'], string>

/** States in which the hardware is given back, and the size's own disk with it. */
const LOSES_HARDWARE: readonly PowerState[] = ['deallocated', 'hibernated', 'deleted']

const figureText = (value: number | undefined): string =>
  value === undefined ? 'an unknown number of' : formatNumber(value, 0)

/** Each disk as it is asked for, charged and reached, changed in place. */
export function Disks({ priced }: { readonly priced: PricedMachine }) {
  const { session } = useWorkbench()
  const { resolved } = priced
  const { machine, size, index, region } = resolved
  const reach = diskReach(resolved)
  const disks = disksOf(resolved)
  const sold = index.book.diskKinds.filter(
    ({ id, room }) =>
      mayCarry(size, id) &&
      (room.by === 'size' ? size.localDiskGiB !== undefined : ownValue(region.prices.disks, id)),
  )
  const change = (position: number, part: DiskPart): void =>
    session.edit(
      `${machine.name}: ${diskName(position).toLowerCase()}`,
      setDisk(machine.name, position, part),
    )
  const { mostDisks, iops: most, megabytesPerSecond } = size
  const carried = `${figureText(mostDisks)} disks, ${figureText(most)} IOPS, ${figureText(megabytesPerSecond)} MB/s`
  const addable = sold.find(({ room }) => room.by !== 'size')
  return (
    <>
      <Wide>
        <Table>
          <thead>
            <tr>
              <th scope="col">Disk</th>
              <th scope="col">Kind and room</th>
              <Right scope="col">charged</Right>
              <Right scope="col">IOPS</Right>
              <Right scope="col">MB/s</Right>
              <th scope="col">Kept or gone</th>
            </tr>
          </thead>
          <tbody>
            {disks.map((each) => {
              const { iops, throughput, chargedGiB } = reach.disks[each.position]!
              return (
                <tr key={each.position}>
                  <th scope="row">{diskName(each.position)}</th>
                  <td>
                    <DiskFields disk={each} kinds={sold} onChange={(part) => change(each.position, part)} />
                  </td>
                  <Right as="td">{formatNumber(chargedGiB)} GiB</Right>
                  <ReachCell reach={iops} />
                  <ReachCell reach={throughput} />
                  <td>
                    <Tick
                      label="goes with the machine"
                      checked={each.disk.goes ?? false}
                      onChange={(goes) => change(each.position, { goes })}
                    />
                    {each.position > 0 && (
                      <Button
                        aria-label={`Delete ${diskName(each.position).toLowerCase()}`}
                        onPress={() =>
                          session.edit(
                            `${machine.name}: delete ${diskName(each.position).toLowerCase()}`,
                            setMachine(machine.name, {
                              dataDisks: machine.dataDisks.filter((_, i) => i !== each.position - 1),
                            }),
                          )
                        }
                      >
                        Remove
                      </Button>
                    )}
                  </td>
                </tr>
              )
            })}
            {disks.length > 1 && (
              <tr>
                <th scope="row">All together</th>
                <td />
                <td />
                <ReachCell reach={reach.iops} />
                <ReachCell reach={reach.throughput} />
                <td />
              </tr>
            )}
          </tbody>
        </Table>
      </Wide>
      <Line>
        <Button
          isDisabled={
            !addable ||
            machine.dataDisks.length >= Math.min(MOST_DATA_DISKS, (size.mostDisks ?? Infinity) - 1)
          }
          onPress={() =>
            session.edit(
              `${machine.name}: add a data disk`,
              setMachine(machine.name, {
                dataDisks: [...machine.dataDisks, { kind: addable!.id, roomGiB: gib(128), goes: true }],
              }),
            )
          }
        >
          Add a data disk
        </Button>
        <span>
          {size.name} carries {carried}
        </span>
        {size.localDiskGiB !== undefined && (
          <span>
            its own disk of {formatNumber(size.localDiskGiB)} GiB is part of the price; what it holds is lost
            {LOSES_HARDWARE.includes(machine.off)
              ? ` each time the machine is ${STATE_NAMES[machine.off].toLowerCase()}`
              : ' when the hardware is given back'}
          </span>
        )}
      </Line>
    </>
  )
}

interface DiskFieldsProps {
  readonly disk: ResolvedDisk
  readonly kinds: readonly DiskKind[]
  readonly onChange: (part: DiskPart) => void
}

function DiskFields({ disk: { position, disk, kind }, kinds, onChange }: DiskFieldsProps) {
  const name = diskName(position)
  const offered = kinds.filter(({ boots, room }) => (position === 0 ? boots : room.by !== 'size'))
  return (
    <Fields>
      <Dropdown
        label={`Kind of ${name.toLowerCase()}`}
        value={disk.kind}
        options={offered.map(({ id, name: kindName, about }) => ({
          id,
          name: kindName,
          ...(about && { note: about }),
        }))}
        onChange={(id) => onChange({ kind: id, extraIops: undefined, extraMegabytesPerSecond: undefined })}
      />
      {kind.room.by !== 'size' && (
        <NumberInput
          label={`Room of ${name.toLowerCase()} in GiB`}
          unit="GiB"
          value={disk.roomGiB}
          step={1}
          most={65_536}
          onChange={(room) => room > 0 && onChange({ roomGiB: gib(room) })}
        />
      )}
      {kind.iops?.boughtMost !== undefined && (
        <NumberInput
          label={`IOPS on top of ${name.toLowerCase()}`}
          unit="IOPS on top"
          value={disk.extraIops ?? 0}
          step={100}
          most={kind.iops.boughtMost}
          onChange={(extraIops) => onChange({ extraIops })}
        />
      )}
      {kind.megabytesPerSecond?.boughtMost !== undefined && (
        <NumberInput
          label={`MB/s on top of ${name.toLowerCase()}`}
          unit="MB/s on top"
          value={disk.extraMegabytesPerSecond ?? 0}
          step={25}
          most={kind.megabytesPerSecond.boughtMost}
          onChange={(extraMegabytesPerSecond) => onChange({ extraMegabytesPerSecond })}
        />
      )}
      <OperationsField name={name} kind={kind} disk={disk} onChange={onChange} />
      <DiskSnapshots name={name} disk={disk} onChange={onChange} />
    </Fields>
  )
}

function OperationsField({
  name,
  kind,
  disk,
  onChange,
}: {
  readonly name: string
  readonly kind: DiskKind
  readonly disk: Disk
  readonly onChange: (part: DiskPart) => void
}) {
  const { result } = useWorkbench()
  const price = result?.ok ? ownValue(result.resolved.region.prices.disks, kind.id) : undefined
  if (price?.perTenThousandOperations === undefined) return null
  return (
    <NumberInput
      label={`Million operations a month on ${name.toLowerCase()}`}
      unit="million operations"
      value={(disk.operationsPerMonth ?? 0) / 1_000_000}
      step={1}
      most={1_000_000}
      onChange={(millions) => onChange({ operationsPerMonth: millions * 1_000_000 })}
    />
  )
}

function ReachCell({ reach: { given, reached, limit } }: { readonly reach: Reach }) {
  return (
    <Right as="td">
      {reached === undefined ? NOT_KNOWN : formatNumber(reached, 0)}
      {given !== undefined && reached === undefined && `, at most ${formatNumber(given, 0)}`}
      {given !== undefined && reached !== undefined && given > reached && ` of ${formatNumber(given, 0)}`}
      <Note>{LIMIT_TEXT[limit]}</Note>
    </Right>
  )
}

const Wide = styled.div`
  min-width: 0;
  overflow-x: auto;
`

const Table = styled.table`
  border-collapse: collapse;
  width: 100%;

  th {
    text-align: left;
    font-weight: 400;
    white-space: nowrap;
  }
  thead th {
    font-size: 12px;
    color: var(--ink-2);
    padding: 0 12px 3px 0;
  }
  tbody th,
  td {
    padding: 5px 12px 5px 0;
    border-top: 1px solid var(--rule);
    vertical-align: top;
  }
`

const Right = styled.th`
  text-align: right !important;
`

const Note = styled.span`
  display: block;
  font-size: 11px;
  color: var(--ink-2);
`

const Fields = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 5px 10px;
`

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
  color: var(--ink-2);
`
