import type { Machine, MachineForm, Variant } from './plan.ts'

export const MOST_VARIANTS = 5

export function formOf(machine: Machine): MachineForm {
  const { name, variants, ...form } = machine
  return form
}

/** The machine as a variant of it stood; its name and all that is kept stay. */
export const asVariant = ({ name, variants }: Machine, { form }: Variant): Machine => ({
  ...form,
  name,
  ...(variants && { variants }),
})

/** The first number that no variant has had yet. */
export const nextVariantNumber = ({ variants = [] }: Machine): number =>
  variants.reduce((most, { number }) => Math.max(most, number), 0) + 1
