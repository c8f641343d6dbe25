import { inferPart } from './cellPart.ts'
import type { ColumnTraits } from '../table/columnTraits.ts'
import type { FieldSource } from './listMapping.ts'

const MOST = 0.8

const BESIDE = {
  vcpu: /(\d+)\s*(?:x\s*)?(v?cpus?|cores?|v?kerne)/i,
  memory: /(\d+(?:[.,]\d+)?)\s*(gi?b|gi?\b|mi?b)/i,
} as const

/** "4 vCPU, 16 GiB" or "std-4x16" in a text column: what stands by its word, or as one of two numbers. */
export function insideCell(
  field: 'vcpu' | 'memory',
  traits: readonly ColumnTraits[],
): FieldSource | undefined {
  const words = BESIDE[field]
  for (const { column, filled } of traits) {
    const cell = filled.find((text) => words.test(text))
    const picked = cell && words.exec(cell)![1]
    const part = cell && picked && inferPart([{ cell, picked }], filled)
    if (part && filled.filter((text) => words.test(text)).length > filled.length * MOST)
      return { from: 'column', column, part }
  }
  for (const { column, filled } of traits) {
    const two = filled.filter(
      (text) => (text.match(/\d+(?:[.,]\d+)?/g) ?? []).length === 2 && /\p{L}/u.test(text),
    )
    if (filled.length > 0 && two.length > filled.length * MOST) {
      return { from: 'column', column, part: { by: 'number', at: field === 'vcpu' ? 0 : 1 } }
    }
  }
  return undefined
}
