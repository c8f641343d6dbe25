import { keptFor } from '../keptFor.ts'
import type { Machine } from './plan.ts'

/** Plans have thousands of machines of a few forms: each form's text is held once, and compared at a glance. */
const MOST_KEPT = 10_000
const texts = new Map<string, string>()

const formOf = keptFor(({ name, purpose, variants, accepted, ...form }: Machine) => {
  const text = JSON.stringify(form)
  const known = texts.get(text)
  if (known !== undefined) return { text: known }
  if (texts.size >= MOST_KEPT) texts.clear()
  texts.set(text, text)
  return { text }
})

/** Machines that agree in it are the same but for what prices, plates and rules do not read of one, or read anew. */
export const machineForm = (machine: Machine): string => formOf(machine).text
