'use client'

import type { Disk, Snapshots } from '../../core/machine/plan.ts'
import { SNAPSHOT_EVERY } from '../../core/machine/plan.ts'
import type { DiskPart } from '../../store/commands.ts'
import { Dropdown } from '../../interface/Dropdown'
import { NumberInput } from '../../interface/NumberInput'

const EVERY_NAMES = {
  day: 'every day',
  week: 'every week',
  month: 'every month',
  stop: 'each time it goes off',
} as const satisfies Record<Snapshots['every'], string>

const NONE = 'none'
const START: Snapshots = { every: 'day', kept: 7, changedPercent: 10 }
const MOST_KEPT = 1_000

interface DiskSnapshotsProps {
  readonly name: string
  readonly disk: Disk
  readonly onChange: (part: DiskPart) => void
}

/** How often a disk is kept as a snapshot, how many of them, and how much changes from one to the next. */
export function DiskSnapshots({ name, disk: { snapshots }, onChange }: DiskSnapshotsProps) {
  const change = (part: Partial<Snapshots>): void =>
    onChange({ snapshots: { ...START, ...snapshots, ...part } })
  const ofDisk = name.toLowerCase()
  return (
    <>
      <Dropdown
        label={`Snapshots of ${ofDisk}`}
        value={snapshots?.every ?? NONE}
        options={[
          { id: NONE, name: 'no snapshots' },
          ...SNAPSHOT_EVERY.map((id) => ({ id, name: `snapshot ${EVERY_NAMES[id]}` })),
        ]}
        onChange={(id) =>
          id === NONE ? onChange({ snapshots: undefined }) : change({ every: id as Snapshots['every'] })
        }
      />
      {snapshots && (
        <>
          <NumberInput
            label={`Snapshots of ${ofDisk} kept`}
            unit="kept"
            value={snapshots.kept}
            step={1}
            most={MOST_KEPT}
            onChange={(kept) => change({ kept })}
          />
          <NumberInput
            label={`Percent that changes between snapshots of ${ofDisk}`}
            unit="% changed"
            value={snapshots.changedPercent}
            step={5}
            most={100}
            onChange={(changedPercent) => change({ changedPercent })}
          />
        </>
      )}
    </>
  )
}
