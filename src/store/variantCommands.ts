import { current, type Draft } from 'immer'
import type { WeekPlan } from '../core/calendar/weekPlan.ts'
import type { Machine, MachineForm, Plan, Variant } from '../core/machine/plan.ts'
import { asVariant, formOf, MOST_VARIANTS, nextVariantNumber } from '../core/machine/variant.ts'
import type { Recipe } from './change.ts'
import { freeName, inKnownGroup, onMachine, patch } from './recipes.ts'

/** Keeps the machine as it is beside what it will be. */
export const keepVariant = (name: string): Recipe =>
  onMachine(name, (machine) => {
    const before = machine.variants ?? []
    if (before.length >= MOST_VARIANTS) return
    const number = nextVariantNumber(machine as Machine)
    const form = formOf(current(machine) as Machine)
    machine.variants = [...before, { number, name: `Variant ${number}`, form: form as Draft<MachineForm> }]
  })

/** Keeps another form of the machine beside what it is, under a name. */
export const keepFormAsVariant = (name: string, as: string, form: Machine): Recipe =>
  onMachine(name, (machine) => {
    const before = machine.variants ?? []
    if (before.length >= MOST_VARIANTS) return
    const number = nextVariantNumber(machine as Machine)
    machine.variants = [
      ...before,
      { number, name: as.slice(0, 60), form: formOf(form) as Draft<MachineForm> },
    ]
  })

/** Takes a variant over: the machine is as the variant stood. */
export const takeVariant =
  (name: string, number: number): Recipe =>
  (draft) =>
    onMachine(name, (machine) => {
      const variant = machine.variants?.find((each) => each.number === number)
      return variant && inKnownGroup(asVariant(machine as Machine, variant as Variant), draft)
    })(draft)

/** Gives a kept variant a week of its own, as the one that it follows stands now. */
export const freezeVariant =
  (name: string, number: number): Recipe =>
  (draft) => {
    const variant = draft.machines
      .find((machine) => machine.name === name)
      ?.variants?.find((each) => each.number === number)
    const week = variant && draft.weeks.find(({ id }) => id === variant.form.week)
    if (!week) return
    const id = freeName(
      `${week.id.slice(0, 48).replaceAll('-', ' ')} kept`,
      draft.weeks.map((each) => each.id.replaceAll('-', ' ')),
    ).replaceAll(' ', '-')
    const frozen = freeName(
      `${week.name.slice(0, 44)}, as kept`,
      draft.weeks.map((each) => each.name),
    )
    draft.weeks.push({ ...current(week), id, name: frozen } as Draft<WeekPlan>)
    variant.form.week = id
  }

/** Whether something else in the plan has the same hours, so that a change of them changes a variant too. */
export const isWeekShared = ({ machines }: Plan, name: string, number: number, week: string): boolean =>
  machines.some(
    (machine) =>
      machine.week === week ||
      (machine.variants ?? []).some(
        (variant) => variant.form.week === week && !(machine.name === name && variant.number === number),
      ),
  )

export const renameVariant = (name: string, number: number, to: string): Recipe =>
  onMachine(name, (machine) => {
    const variant = machine.variants?.find((each) => each.number === number)
    if (variant) variant.name = to
  })

export const dropVariant = (name: string, number: number): Recipe =>
  onMachine(name, (machine) => {
    const left = (machine.variants ?? []).filter((each) => each.number !== number)
    patch(machine, { variants: left.length > 0 ? left : undefined })
  })
