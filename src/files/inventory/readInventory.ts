import { PlanPricing } from '../../core/meter/planPricing.ts'
import { machineIssueText } from '../reading/machineIssueText.ts'
import { AskedMeanings } from './askedMeanings.ts'
import type { Inventory, InventoryInputs, InventoryRow } from './inventory.ts'
import { InventoryRowReader, type SharedByRows } from './InventoryRowReader.ts'
import { Sellers } from './Sellers.ts'

/**
 * The rows of a table as machines, each with everything that keeps it from being one. Yields how many rows are read.
 * O(rows + sizes) for rows that name sizes or ask for few different shapes; each different shape that is asked for goes
 * through those that are sold.
 */
export function* readInventory(inputs: InventoryInputs): Generator<number, Inventory> {
  const { table, plan, books, month } = inputs
  const pricing = new PlanPricing({ plan: { ...plan, machines: [] }, books, month, reading: 'calendar' })
  const taken = new Map(plan.machines.map(({ name }) => [name, 'the plan']))
  const shared: SharedByRows = {
    inputs,
    sellers: new Sellers(inputs),
    meanings: new AskedMeanings(inputs.meant),
    sizes: new Map(),
  }
  const rows: InventoryRow[] = []
  for (const [at, cells] of table.rows.entries()) {
    const row = new InventoryRowReader(cells, shared)
    const machine = row.machine()
    if (machine && row.problems.length === 0) {
      const owner = taken.get(machine.name)
      if (owner !== undefined) row.say('name', `There is a machine “${machine.name}” already, in ${owner}.`)
      else taken.set(machine.name, `line ${at + 2}`)
      const priced = pricing.of(machine)
      if (!priced.ok) for (const issue of priced.issues) row.say(undefined, machineIssueText(issue).problem)
    }
    const { problems } = row
    rows.push({ at, machine: problems.length === 0 ? machine : undefined, problems })
    yield rows.length
  }
  return { rows, sizes: [...shared.sizes.values()], values: shared.meanings.all }
}
