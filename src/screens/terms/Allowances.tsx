'use client'

import styled from 'styled-components'
import { allowanceEnd, poolUses, type PoolUse } from '../../core/meter/sharedAccount.ts'
import type { PricedMachine } from '../../core/meter/planPricing.ts'
import { hourClock } from '../../core/calendar/billingMonth.ts'
import { lengthOf } from '../../core/quantity/units.ts'
import { formatInstantIn } from '../../wording/time'
import { diskName } from '../../wording/charge'
import { formatNumber } from '../../wording/number'

/** Each pool: who uses it, how much is each one's share, when it runs out, and which pool takes over then. */
export function Allowances({ priced }: { readonly priced: PricedMachine }) {
  const pools = poolUses(priced.account.planned)
  const { provider } = priced.resolved.index.book
  if (pools.length === 0) return <p>{provider.name} gives nothing away.</p>
  return (
    <List>
      {pools.map((pool, at) => (
        <li key={`${pool.of}/${pool.allowance.id}`}>
          <PoolShares pool={pool} later={laterPools(pool, pools.slice(at + 1))} priced={priced} />
        </li>
      ))}
    </List>
  )
}

/** Pools that those who may use this one go on to. */
const laterPools = ({ of, users }: PoolUse, others: readonly PoolUse[]): PoolUse[] =>
  others.filter(
    (other) => other.of === of && other.users.some((user) => users.includes(user) && other.freeOf(user) > 0),
  )

const nameOf = ({ allowance: { name, id } }: PoolUse): string => name ?? id

function PoolShares({
  pool,
  later,
  priced,
}: {
  readonly pool: PoolUse
  readonly later: readonly PoolUse[]
  readonly priced: PricedMachine
}) {
  const { resolved, month } = priced
  const { timeZone } = resolved.week
  const { allowance, capacity, usedUpAt } = pool
  const byHours = pool.of === 'hours'
  const perUnit = byHours ? hourClock(month).ticksPerHour : 1_024 * lengthOf(month)
  const unit = byHours ? 'h' : 'GiB-months'
  const amount = (ticks: number): string => formatNumber(Math.round((ticks / perUnit) * 10) / 10)
  const users = pool.users.map((user) => ({
    key: user.key,
    name: userName(user.key),
    free: pool.freeOf(user),
    used: user.pieces.ticks,
    own: user.key === resolved.machine.name || user.key.startsWith(`${resolved.machine.name}/`),
  }))
  const left = capacity - users.reduce((sum, { free }) => sum + free, 0)
  const next = later.length > 0 ? ` Then ${later.map(nameOf).join(', ')} takes over.` : ''
  return (
    <>
      <p>
        <b>{nameOf(pool)}</b>: {amount(capacity)} {unit} a month, for all machines together, until{' '}
        {allowance.until}.{' '}
        {users.length === 0
          ? 'No machine of this plan uses it.'
          : allowanceEnd(allowance.until, resolved.index.book.billingZone, month) <= month.from
            ? `It is over.${next}`
            : usedUpAt === undefined
              ? `It lasts: ${amount(left)} ${unit} are left at its end.${next}`
              : `It is used up on ${formatInstantIn(usedUpAt, timeZone)}.${next}`}
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
                    <i style={{ width: `${capacity > 0 ? (free / capacity) * 100 : 0}%` }} />
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
