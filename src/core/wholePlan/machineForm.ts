import { keptFor } from '../keptFor.ts'
import type { Machine } from '../machine/plan.ts'

const formOf = keptFor(({ name, purpose, variants, accepted, ...form }: Machine) => ({
  text: JSON.stringify(form),
}))

/** Machines that agree in it are the same but for what its plates and rules do not read of one, or read anew. */
export const machineForm = (machine: Machine): string => formOf(machine).text
