import type { Draft } from 'immer'
import type { Commands } from '../core/machine/switchActions.ts'
import type { AutoShutdown } from '../core/calendar/autoShutdown.ts'
import type { Habits } from '../core/calendar/habits.ts'
import type { LifeDates } from '../core/machine/life.ts'
import type { WeekPlan } from '../core/calendar/weekPlan.ts'
import { type Choice, applyChoice } from '../core/decisions/choice.ts'
import type { PlateId } from '../core/machine/decision.ts'
import type { Needs, UserPlace } from '../core/machine/needs.ts'
import type { Setup } from '../core/machine/setup.ts'
import type { Access } from '../core/machine/access.ts'
import { MOST_LEFT_OVER, type Disk, type LeftOver, type Machine, type Plan } from '../core/machine/plan.ts'
import { withOffPlan, type OffPlan } from '../core/off/offPlan.ts'
import type { Recipe } from './change.ts'
import { become, inKnownGroup, onMachine, onWeek, patch } from './recipes.ts'

/** Every change of a plan that a person can make. Machines are found by name, weeks by id. */

/** A week that the plan does not hold yet comes with the choice. */
export const takeChoice =
  (name: string, choice: Choice): Recipe =>
  (draft) => {
    if (choice.decision === 'week' && draft.weeks.every(({ id }) => id !== choice.week.id)) {
      addWeek(choice.week)(draft)
    }
    return onMachine(name, (machine) => applyChoice(machine as Machine, choice))(draft)
  }

/** The machine in another form: carried over, or as a variant of it stood. Its name and place in the plan stay. */
export const replaceMachine =
  (name: string, machine: Machine): Recipe =>
  (draft) =>
    onMachine(name, () => inKnownGroup({ ...machine, name }, draft))(draft)

export const pinPlate = (name: string, plate: PlateId, pinned: boolean): Recipe =>
  onMachine(name, (machine) => {
    const others = (machine.pinned ?? []).filter((id) => id !== plate)
    const after = pinned ? [...others, plate] : others
    patch(machine, { pinned: after.length > 0 ? after : undefined })
  })

export const setMachine = (name: string, part: Partial<Machine>): Recipe =>
  onMachine(name, (machine) => {
    Object.assign(machine, part)
  })

export const setOffPlan = (name: string, plan: OffPlan): Recipe =>
  onMachine(name, (machine) => withOffPlan(machine as Machine, plan))

/** What is set to undefined is not asked for any more. */
export const setNeeds = (
  name: string,
  part: { readonly [Field in keyof Needs]?: Needs[Field] | undefined },
): Recipe =>
  onMachine(name, ({ needs }) => {
    patch(needs, part)
  })

/** Takes a finding as known, with a note; undefined takes that back. */
export const acceptFinding = (name: string, finding: string, note: string | undefined): Recipe =>
  onMachine(name, (machine) => {
    const others = (machine.accepted ?? []).filter((each) => each.finding !== finding)
    const after = note === undefined ? others : [...others, { finding, note }]
    patch(machine, { accepted: after.length > 0 ? after : undefined })
  })

export const setAccess = (name: string, part: AccessPart): Recipe =>
  onMachine(name, (machine) => {
    const access = { ...machine.access } as Draft<Access>
    patch(access, part)
    patch(machine, { access: Object.keys(access).length > 0 ? access : undefined })
  })

/** What is set to undefined is not said any more. */
export const setSetup = (
  name: string,
  part: { readonly [Field in keyof Setup]?: Setup[Field] | undefined },
): Recipe =>
  onMachine(name, (machine) => {
    const setup = { ...machine.setup } as Draft<Setup>
    patch(setup, part)
    patch(machine, { setup: Object.keys(setup).length > 0 ? setup : undefined })
  })

type AccessPart = { readonly [Field in keyof Access]?: Access[Field] | undefined }

/** Some fields of one disk; position 0 is the system disk. A field set to undefined is taken away. */
export const setDisk = (name: string, position: number, part: DiskPart): Recipe =>
  onMachine(name, (machine) => {
    const disk = position === 0 ? machine.systemDisk : machine.dataDisks[position - 1]
    if (!disk) return
    patch(disk, part)
  })

export type DiskPart = { readonly [Field in keyof Disk]?: Disk[Field] | undefined }

export const setWeek = (id: string, part: Partial<Omit<WeekPlan, 'id'>>): Recipe =>
  onWeek(id, (week) => {
    Object.assign(week, part)
  })

/** The week in another form, under its own id. */
export const replaceWeek =
  (week: WeekPlan): Recipe =>
  (draft) => {
    const at = draft.weeks.findIndex(({ id }) => id === week.id)
    if (at >= 0) draft.weeks[at] = week as Draft<WeekPlan>
  }

/** The zone shown beside a week's own, or none. */
export const setBesideZone = (id: string, besideZone: string | undefined): Recipe =>
  onWeek(id, (week) => patch(week, { besideZone }))

/** What is set to undefined is taken away. */
export const setWeekRule = (id: string, part: WeekRule): Recipe => onWeek(id, (week) => patch(week, part))

export interface WeekRule {
  readonly startEarlyMinutes?: number | undefined
  readonly habits?: Habits | undefined
}

export const setAutoShutdown = (id: string, autoShutdown: AutoShutdown | undefined): Recipe =>
  onWeek(id, (week) => patch(week, { autoShutdown }))

export const setCommands =
  (commands: Commands): Recipe =>
  (draft) => {
    patch(draft, { commands: Object.keys(commands).length > 0 ? commands : undefined })
  }

/** When there begins and ceases to be a machine; what is undefined is taken away. */
export const setLife =
  (name: string, part: { readonly [Field in keyof LifeDates]: string | undefined }): Recipe =>
  (draft) => {
    const machine = draft.machines.find((each) => each.name === name)
    if (machine) patch(machine, part)
  }

export const addMachine =
  (machine: Machine): Recipe =>
  (draft) => {
    draft.machines.push(machine as Draft<Machine>)
  }

export const addMachines =
  (machines: readonly Machine[]): Recipe =>
  (draft) => {
    draft.machines.push(...(machines as Draft<Machine>[]))
  }

/** Machines that are gone after a date, and stay in the plan for what they leave behind. */
export const endMachines =
  (names: ReadonlySet<string>, lastDay: string): Recipe =>
  (draft) => {
    for (const machine of draft.machines) {
      if (!names.has(machine.name)) continue
      if (machine.lastDay === undefined || machine.lastDay > lastDay) machine.lastDay = lastDay
      if (machine.firstDay !== undefined && machine.firstDay > machine.lastDay) delete machine.firstDay
    }
  }

export const removeMachines =
  (names: ReadonlySet<string>): Recipe =>
  (draft) => {
    draft.machines = draft.machines.filter(({ name }) => !names.has(name))
  }

/** Machines in other forms, by their names; the rest of the plan stays. */
export const replaceMachines =
  (machines: readonly Machine[]): Recipe =>
  (draft) => {
    const forms = new Map(machines.map((machine) => [machine.name, machine]))
    for (const machine of draft.machines) {
      const form = forms.get(machine.name)
      if (form) become(machine, form)
    }
  }

export const addWeek =
  (week: WeekPlan): Recipe =>
  (draft) => {
    draft.weeks.push(week as Draft<WeekPlan>)
  }

/** Leaves a week in place that a machine, or a variant of one, still uses. */
export const removeWeek =
  (id: string): Recipe =>
  (draft) => {
    const uses = ({ week, variants = [] }: Draft<Machine>): boolean =>
      week === id || variants.some(({ form }) => form.week === id)
    if (draft.machines.some(uses)) return
    draft.weeks = draft.weeks.filter((week) => week.id !== id)
  }

export const renamePlan =
  (name: string): Recipe =>
  (draft) => {
    draft.name = name
  }

/** Currency, rates and tax; a field set to undefined is taken away. */
export const setMoney =
  (part: { readonly [Field in MoneyField]?: Plan[Field] | undefined }): Recipe =>
  (draft) => {
    patch(draft, part)
  }

type MoneyField = 'currency' | 'exchangeRates' | 'taxPercent' | 'budget' | 'credit'

/** A machine that is there already, on a week of its own where the plan has none like it. */
export const addAsBilled =
  (machine: Machine, newWeek: WeekPlan | undefined): Recipe =>
  (draft) => {
    if (newWeek) draft.weeks.push(newWeek as Draft<WeekPlan>)
    draft.machines.push(machine as Draft<Machine>)
  }

/** What has to be deleted by hand; of one resource the newest that is known of it. */
export const addToCleanUp =
  (found: LeftOver): Recipe =>
  (draft) => {
    const others = (draft.cleanUp ?? []).filter(({ resource }) => resource !== found.resource)
    draft.cleanUp = [...others, found].slice(-MOST_LEFT_OVER)
  }

export const cleanedUp =
  (resources: ReadonlySet<string>): Recipe =>
  (draft) => {
    const left = (draft.cleanUp ?? []).filter(({ resource }) => !resources.has(resource))
    patch(draft, { cleanUp: left.length > 0 ? left : undefined })
  }

/** A need that names a place which is gone does not ask for it any more. */
export const setPlaces =
  (places: readonly UserPlace[]): Recipe =>
  (draft) => {
    patch(draft, { places: places.length > 0 ? places : undefined })
    const names = places.map(({ name }) => name)
    for (const { needs } of draft.machines) {
      const left = needs.usedFrom?.filter((name) => names.includes(name))
      if (left && left.length < needs.usedFrom!.length) {
        patch(needs, { usedFrom: left.length > 0 ? left : undefined })
      }
    }
  }

export const replacePlan =
  (plan: Plan): Recipe =>
  () =>
    plan as Draft<Plan>
