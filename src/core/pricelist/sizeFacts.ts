import { gib } from '../quantity/units.ts'
import { architectureIn } from '../table/architectureText.ts'
import { memoryOf } from '../table/roomInGiB.ts'
import { unitOfCell } from '../table/roomUnit.ts'
import { fail, remember, RowFault, type CellReader } from './cellReader.ts'
import type { SizeFacts } from './listEntry.ts'
import type { ListField, ListUnits } from './listMapping.ts'

const FACTS: readonly ListField[] = [
  'vcpu',
  'memory',
  'architecture',
  'family',
  'localDisk',
  'mostDisks',
  'iops',
  'throughput',
  'network',
]

/** Facts of sizes by the texts that say them: lists repeat them in every place and on all terms. */
export function factsReader(reader: CellReader, units: ListUnits): (cells: readonly string[]) => SizeFacts {
  const known = new Map<string, SizeFacts>()
  const said = FACTS.filter((field) => reader.has(field))
  return (cells) => {
    let key = ''
    for (const field of said) key += `${reader.text(field, cells)}\n`
    const before = known.get(key)
    if (before) return before
    const facts = factsOf(reader, cells, units)
    remember(known, key, facts)
    return facts
  }
}

function factsOf(reader: CellReader, cells: readonly string[], units: ListUnits): SizeFacts {
  const vcpu = Number(reader.figure('vcpu', reader.text('vcpu', cells))) * units.vcpuPerCount
  if (!Number.isInteger(vcpu) || vcpu < 1 || vcpu > 4_096)
    fail('vcpu', reader.text('vcpu', cells), 'out-of-range')
  const memory = reader.text('memory', cells)
  const memoryGiB = gib(memoryOf(reader.figure('memory', memory), unitOfCell(memory, units.memory)))
  if (memoryGiB <= 0 || memoryGiB > 65_536) fail('memory', memory, 'out-of-range')
  const architecture = architectureIn(reader.text('architecture', cells))
  const family = reader.text('family', cells)
  const whole = (field: ListField, most: number): number | undefined => wholeOf(reader, field, cells, most)
  const [localDisk, mostDisks, iops, throughput, network] = [
    whole('localDisk', 10_000_000),
    whole('mostDisks', 1_000),
    whole('iops', 10_000_000),
    whole('throughput', 1_000_000),
    whole('network', 10_000_000),
  ]
  return {
    vcpu,
    memoryGiB,
    ...(architecture && { architecture }),
    ...(family !== '' && { family: reader.name('family', cells) }),
    ...(localDisk && { localDiskGiB: gib(localDisk) }),
    ...(mostDisks && { mostDisks }),
    ...(iops && { iops }),
    ...(throughput && { megabytesPerSecond: throughput }),
    ...(network && { networkMegabitsPerSecond: network }),
  }
}

/** A fact that nothing rests on: what is no such number is not known. */
function wholeOf(
  reader: CellReader,
  field: ListField,
  cells: readonly string[],
  most: number,
): number | undefined {
  if (!reader.has(field)) return undefined
  try {
    const value = Math.floor(Number(reader.optionalFigure(field, cells) ?? '0'))
    return value >= 1 && value <= most ? value : undefined
  } catch (error) {
    if (error instanceof RowFault) return undefined
    throw error
  }
}
