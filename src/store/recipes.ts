import { original, type Draft } from 'immer'
import type { WeekPlan } from '../core/calendar/weekPlan.ts'
import type { Machine, Plan } from '../core/machine/plan.ts'
import type { Recipe } from './change.ts'

/** Changes the machine of this name, where there is one. */
export const onMachine =
  (name: string, change: (machine: Draft<Machine>) => undefined | Machine): Recipe =>
  (draft) => {
    const at = draft.machines.findIndex((machine) => machine.name === name)
    const machine = draft.machines[at]
    if (!machine) return
    const changed = change(machine)
    if (changed) draft.machines[at] = changed as Draft<Machine>
  }

/** Changes the week of this id, where there is one. */
export const onWeek =
  (id: string, change: (week: Draft<WeekPlan>) => void): Recipe =>
  (draft) => {
    const week = draft.weeks.find((candidate) => candidate.id === id)
    if (week) change(week)
  }

/** A form that was kept can be of a group that is gone: it is kept apart from none then. */
export function inKnownGroup(
  machine: Machine,
  { apartGroups = [] }: Pick<Draft<Plan>, 'apartGroups'>,
): Machine {
  const { apart, ...needs } = machine.needs
  return !apart || apartGroups.some(({ name }) => name === apart.group) ? machine : { ...machine, needs }
}

/** Absent and undefined are not the same in a file: what is set to undefined is taken away. */
export function patch<T extends object>(draft: T, part: { readonly [Field in keyof T]?: unknown }): void {
  for (const [field, value] of Object.entries(part)) {
    if (value === undefined) Reflect.deleteProperty(draft, field)
    else Object.assign(draft, { [field]: value })
  }
}

/**
 * The machine in another form: only the fields that differ are touched, so that the step that is kept is no larger than
 * the change. Both are plain data.
 */
export function become(draft: Draft<Machine>, form: Machine): void {
  const before = original(draft) as Machine
  const part = Object.fromEntries(
    [...new Set([...Object.keys(before), ...Object.keys(form)])]
      .map((field) => field as keyof Machine)
      .filter((field) => before[field] !== form[field])
      .filter((field) => JSON.stringify(before[field]) !== JSON.stringify(form[field]))
      .map((field) => [field, form[field]]),
  )
  patch(draft, part)
}

/** `name`, or the first of `name 2`, `name 3`, … that is free. */
export function freeName(name: string, taken: readonly string[]): string {
  if (!taken.includes(name)) return name
  const stem = name.replace(/ \d+$/, '')
  for (let number = 2; ; number += 1) if (!taken.includes(`${stem} ${number}`)) return `${stem} ${number}`
}
