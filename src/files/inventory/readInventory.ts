import type { Machine } from '../../core/machine/plan.ts'
import { PlanPricing } from '../../core/meter/planPricing.ts'
import { machineIssueText } from '../machineIssueText.ts'
import { AskedMeanings } from './askedMeanings.ts'
import type { AskedSize, Inventory, InventoryInputs, InventoryRow } from './inventory.ts'
import { InventoryRowReader } from './InventoryRowReader.ts'

/** The rows of a table as machines, each with everything that keeps it from being one. O(rows). */
export function readInventory(inputs: InventoryInputs): Inventory {
  const { table, plan, books, month } = inputs
  const pricing = new PlanPricing({ plan: { ...plan, machines: [] }, books, month, reading: 'calendar' })
  const taken = new Map(plan.machines.map(({ name }) => [name, 'the plan']))
  const sizes = new Map<string, AskedSize>()
  const starts = new Map<string, Machine | undefined>()
  const meanings = new AskedMeanings(inputs.meant)
  const rows = table.rows.map((cells, at): InventoryRow => {
    const row = new InventoryRowReader(cells, inputs, meanings)
    const machine = row.machine(sizes, starts)
    if (machine && row.problems.length === 0) {
      const owner = taken.get(machine.name)
      if (owner !== undefined) row.say('name', `There is a machine “${machine.name}” already, in ${owner}.`)
      else taken.set(machine.name, `line ${at + 2}`)
      const priced = pricing.of(machine)
      if (!priced.ok) for (const issue of priced.issues) row.say(undefined, machineIssueText(issue).problem)
    }
    return { at, machine: row.problems.length === 0 ? machine : undefined, problems: row.problems }
  })
  return { rows, sizes: [...sizes.values()], values: meanings.all }
}
