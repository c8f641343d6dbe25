'use client'

import styled from 'styled-components'
import type { SharedPool } from '../../core/meter/sharedAccount.ts'
import type { PricedMachine } from '../../core/meter/planPricing.ts'
import { hourClock } from '../../core/calendar/billingMonth.ts'
import { lengthOf } from '../../core/quantity/units.ts'
import { formatInstantIn } from '../../wording/time'
import { diskName } from '../../wording/charge'
import { formatNumber } from '../../wording/number'

/** Each pool: who uses it, how much is each one's share, and when it runs out. */
export function Allowances({ priced }: { readonly priced: PricedMachine }) {
  const pools = [...priced.account.planned.pools.values()]
  const { provider } = priced.resolved.index.book
  if (pools.length === 0) return <p>{provider.name} gives nothing away.</p>
  return (
    <List>
      {pools.map((pool) => (
        <li key={pool.allowance.id}>
          <PoolUse pool={pool} priced={priced} />
        </li>
      ))}
    </List>
  )
}

function PoolUse({
  pool: { allowance, pool, drained },
  priced,
}: {
  readonly pool: SharedPool
  readonly priced: PricedMachine
}) {
  const { resolved, month } = priced
  const { timeZone } = resolved.week
  const byHours = allowance.hoursPerMonth !== undefined
  const perUnit = byHours ? hourClock(month).ticksPerHour : 1_024 * lengthOf(month)
  const unit = byHours ? 'h' : 'GiB-months'
  const amount = (ticks: number): string => formatNumber(Math.round((ticks / perUnit) * 10) / 10)
  const users = pool.users.map(({ key, pieces }) => ({
    key,
    name: userName(key),
    free: drained.free.get(key) ?? 0,
    used: pieces.ticks,
    own: key === resolved.machine.name || key.startsWith(`${resolved.machine.name}/`),
  }))
  const left = pool.capacity - users.reduce((sum, { free }) => sum + free, 0)
  return (
    <>
      <p>
        <b>{allowance.name ?? allowance.id}</b>: {amount(pool.capacity)} {unit} a month, for all machines
        together, until {allowance.until}.{' '}
        {users.length === 0
          ? 'No machine of this plan uses it.'
          : drained.usedUpAt === undefined
            ? `It lasts: ${amount(left)} ${unit} are left at the month’s end.`
            : `It is used up on ${formatInstantIn(drained.usedUpAt, timeZone)}.`}
      </p>
      {users.length > 0 && (
        <Bars>
          <tbody>
            {users.map(({ key, name, free, used, own }) => (
              <tr key={key}>
                <Name scope="row" $own={own}>
                  {name}
                </Name>
                <td>
                  <Bar aria-hidden="true">
                    <i style={{ width: `${(free / pool.capacity) * 100}%` }} />
                  </Bar>
                </td>
                <Figure>
                  {amount(free)} of {amount(used)} {unit} free
                </Figure>
              </tr>
            ))}
          </tbody>
        </Bars>
      )}
    </>
  )
}

/** A machine by its name, a disk by its machine's name and its own. */
function userName(key: string): string {
  const at = key.lastIndexOf('/')
  const position = Number(key.slice(at + 1))
  return at > 0 && Number.isInteger(position)
    ? `${key.slice(0, at)}, ${diskName(position).toLowerCase()}`
    : key
}

const List = styled.ul`
  display: grid;
  gap: 10px;
`

const Bars = styled.table`
  width: 100%;
  border-collapse: collapse;

  td,
  th {
    padding: 2px 8px 2px 0;
  }
  td:nth-child(2) {
    width: 36%;
  }
`

const Name = styled.th<{ readonly $own: boolean }>`
  text-align: left;
  font-weight: ${({ $own }) => ($own ? 600 : 400)};
`

const Bar = styled.span`
  display: block;
  height: 11px;
  background: var(--plate);

  i {
    display: block;
    height: 100%;
    background: var(--save);
  }
`

const Figure = styled.td`
  text-align: right;
`
