import type { Draft } from 'immer'
import type { ApartGroup } from '../core/machine/apartGroup.ts'
import type { Machine } from '../core/machine/plan.ts'
import type { Recipe } from './change.ts'
import { onMachine, patch } from './recipes.ts'

/** Changes of which machines must not fall together. Groups are found by name. */

export const addApartGroup =
  (group: ApartGroup): Recipe =>
  (draft) => {
    draft.apartGroups = [...(draft.apartGroups ?? []), group]
  }

/** The group in another form; its machines stay in it, also under another name. */
export const setApartGroup =
  (name: string, group: ApartGroup): Recipe =>
  (draft) => {
    draft.apartGroups = (draft.apartGroups ?? []).map((each) => (each.name === name ? group : each))
    if (group.name === name) return
    for (const { needs } of draft.machines) if (needs.apart?.group === name) needs.apart.group = group.name
  }

/** Its machines are kept apart from none then. */
export const deleteApartGroup =
  (name: string): Recipe =>
  (draft) => {
    const left = (draft.apartGroups ?? []).filter((group) => group.name !== name)
    patch(draft, { apartGroups: left.length > 0 ? left : undefined })
    for (const { needs } of draft.machines)
      if (needs.apart?.group === name) patch(needs, { apart: undefined })
  }

/** A machine once more in other zones, kept apart from its copies; `group` is the group where it is in none yet. */
export const addInZones =
  (name: string, copies: readonly Machine[], group: ApartGroup | undefined): Recipe =>
  (draft) => {
    if (group) {
      addApartGroup(group)(draft)
      onMachine(name, ({ needs }) => {
        needs.apart = { group: group.name }
      })(draft)
    }
    const at = draft.machines.findIndex((machine) => machine.name === name)
    draft.machines.splice(at + 1, 0, ...(copies as Draft<Machine>[]))
  }
