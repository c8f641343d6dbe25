import type { Doubt } from '../plausible/bookDoubts.ts'
import { MEMORY_UNITS, type ListUnits, type MappingQuestion } from './listMapping.ts'

/** One change of how a list is counted, after which its figures would be usual ones. */
export interface UnitMend {
  readonly units: Partial<ListUnits>
  readonly question: keyof ListUnits
}

interface Candidate extends UnitMend {
  /** What every figure is multiplied by. */
  readonly times: number
}

const HOURS = 730

/** Beyond these times from what is usual a change explains nothing. */
const NEAR = 6
/** An answer that nobody confirmed is the likelier cause. */
const OF_UNSURE = 0.5

/** The change that brings what is in doubt nearest to what is usual; undefined where none does. */
export function unitMend(
  doubt: Doubt,
  units: ListUnits,
  unsure: readonly MappingQuestion[],
): UnitMend | undefined {
  if (doubt.about === 'falling-steps') return undefined
  const { found, usual } = doubt
  const farFrom = (value: number): number => Math.abs(Math.log(value / usual))
  const [best] = candidatesFor(doubt.about, units)
    .map((each) => ({
      ...each,
      far: farFrom(found * each.times) * (unsure.includes(each.question) ? OF_UNSURE : 1),
    }))
    .filter(({ times }) => farFrom(found * times) < Math.log(NEAR))
    .sort((a, b) => a.far - b.far)
  return best && { units: best.units, question: best.question }
}

function candidatesFor(about: Exclude<Doubt['about'], 'falling-steps'>, units: ListUnits): Candidate[] {
  const { period, parts = 1, perCount, decimalMark = '.', memory, diskRoom } = units
  if (about === 'memoryPerVcpu') {
    const inMemory = (unit: ListUnits['memory'], times: number): Candidate => ({
      units: { memory: unit },
      question: 'memory',
      times,
    })
    const bytes = { M: 1, G: 1_024, T: 1_048_576 } as const
    const own = bytes[memory[0] as keyof typeof bytes]
    return (['MiB', 'GiB', 'TiB'] as const)
      .filter((unit) => unit[0] !== memory[0])
      .map((unit) => inMemory(unit, bytes[unit[0] as keyof typeof bytes] / own))
  }
  const money: Candidate[] = [
    {
      units: { decimalMark: decimalMark === '.' ? ',' : '.' },
      question: 'decimalMark',
      times: 1 / 1_000,
    },
    ...[1, 100, 1_000, 1_000_000]
      .filter((each) => each !== parts)
      .map((each): Candidate => ({ units: { parts: each }, question: 'parts', times: parts / each })),
    ...(perCount > 1 ? [{ units: { perCount: 1 }, question: 'perCount', times: perCount } as const] : []),
  ]
  if (about === 'diskGiBMonth') {
    const others = MEMORY_UNITS.filter((unit) => unit !== diskRoom && unit.endsWith('iB'))
    const size = { M: 1 / 1_024, G: 1, T: 1_024 } as const
    const sizeOf = (unit: string): number => size[unit[0] as keyof typeof size]
    return [
      ...money,
      ...others
        .filter((unit) => sizeOf(unit) !== sizeOf(diskRoom))
        .map((unit): Candidate => ({
          units: { diskRoom: unit },
          question: 'diskRoom',
          times: sizeOf(diskRoom) / sizeOf(unit),
        })),
      ...(period === 'hour'
        ? [{ units: { period: 'month' }, question: 'period', times: 1 / HOURS } as const]
        : []),
    ]
  }
  return [
    ...money,
    ...(period === 'hour'
      ? [{ units: { period: 'month' }, question: 'period', times: 1 / HOURS } as const]
      : []),
    ...(period === 'month' || period === '730-hours'
      ? [{ units: { period: 'hour' }, question: 'period', times: HOURS } as const]
      : []),
  ]
}
