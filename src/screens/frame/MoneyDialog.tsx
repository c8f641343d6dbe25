'use client'

import { currencyCode } from '../../wording/money'
import { NO_CURRENCY } from '../../core/quantity/currency.ts'
import { useState } from 'react'
import styled from 'styled-components'
import { parseDate } from '../../core/calendar/civil.ts'
import { exchangeFor } from '../../core/machine/exchange.ts'
import { MOST_EXCHANGE_RATES, type ExchangeRate } from '../../core/machine/plan.ts'
import { planCurrency } from '../../core/meter/planTotals.ts'
import { isCurrency, isExchangeRate, isPercent } from '../../files/reading/moneyText.ts'
import { Button } from '../../interface/Button'
import { Dialog } from '../../interface/Dialog'
import { Dropdown } from '../../interface/Dropdown'
import { TextInput } from '../../interface/TextInput'
import { formatMonth } from '../../wording/time'
import { setMoney } from '../../store/commands.ts'
import { useSummaries, useWorkbench } from '../workbench/WorkbenchContext'

interface MoneyDialogProps {
  readonly onClose: () => void
}

/** The currency of the plan, the rates that the person knows, and a tax on the total. */
export function MoneyDialog({ onClose }: MoneyDialogProps) {
  return (
    <Dialog title="Currency, exchange rates and tax" isOpen onClose={onClose}>
      <Fields />
      <Button onPress={onClose}>Done</Button>
    </Dialog>
  )
}

function Fields() {
  const { session, state, month } = useWorkbench()
  const { plan, books } = state
  const { byName } = useSummaries()
  const used = [...new Set(books.map(({ currency }) => currency))]
  const priced = plan.machines.flatMap(({ name }) => {
    const summary = byName.get(name)
    return summary?.priced ? [summary] : []
  })
  const currency = planCurrency(plan, priced) ?? used[0] ?? NO_CURRENCY
  const rates = plan.exchangeRates ?? []
  const change = (label: string, part: Parameters<typeof setMoney>[0]): void =>
    session.edit(label, setMoney(part))
  const setRates = (next: readonly ExchangeRate[]): void => change('exchange rates', { exchangeRates: next })
  const missing = used.filter((from) => exchangeFor(from, currency, rates, month).kind === 'missing')
  return (
    <Grid>
      <Line>
        <span>Totals are shown in</span>
        <TextInput
          label="Currency of the plan"
          value={currencyCode(currency)}
          check={(text) => (isCurrency(text) ? undefined : 'A currency of the ISO 4217 list, such as EUR.')}
          onCommit={(text) => change('currency', { currency: text })}
        />
      </Line>
      {rates.length > 0 && (
        <ul aria-label="Exchange rates">
          {rates.map((rate, i) => (
            <RateLine key={`${rate.from} ${rate.date} ${i}`}>
              <span>
                from {rate.date}: 1 {rate.from} = {rate.rate} {rate.to}
              </span>
              <Button
                aria-label={`Delete the rate of ${rate.from} from ${rate.date}`}
                onPress={() => setRates(rates.filter((_, at) => at !== i))}
              >
                Remove
              </Button>
            </RateLine>
          ))}
        </ul>
      )}
      {missing.map((from) => (
        <Warning key={from}>
          No rate from {from} to {currency} by {formatMonth(month)}: what is priced in {from} is left out of
          the total.
        </Warning>
      ))}
      <NewRate
        key={`${currency} ${rates.length}`}
        to={currency}
        used={used.filter((from) => from !== currency)}
        full={rates.length >= MOST_EXCHANGE_RATES}
        startDate={`${month}-01`}
        onAdd={(rate) => setRates([...rates, rate])}
      />
      <Line>
        <span>Tax on the total, in percent</span>
        <TextInput
          label="Tax in percent"
          value={plan.taxPercent ?? ''}
          whenEmpty="none"
          check={(text) =>
            text === '' || isPercent(text) ? undefined : 'From 0 to 100, such as 23 or 7.5; empty for none.'
          }
          onCommit={(text) => change('tax', { taxPercent: text === '' ? undefined : text })}
        />
      </Line>
    </Grid>
  )
}

interface NewRateProps {
  readonly to: string
  readonly used: readonly string[]
  readonly full: boolean
  readonly startDate: string
  readonly onAdd: (rate: ExchangeRate) => void
}

function NewRate({ to, used, full, startDate, onAdd }: NewRateProps) {
  const [from, setFrom] = useState(used[0])
  const [rate, setRate] = useState('')
  const [date, setDate] = useState(startDate)
  if (from === undefined) return null
  const ready = isExchangeRate(rate) && parseDate(date) !== undefined && !full
  return (
    <Line>
      <span>1</span>
      <Dropdown
        label="From currency"
        value={from}
        options={used.map((id) => ({ id, name: id }))}
        onChange={setFrom}
      />
      <span>=</span>
      <TextInput
        label={`How many ${to}`}
        value={rate}
        whenEmpty="0.9184"
        check={(text) => (isExchangeRate(text) ? undefined : 'A rate above zero, such as 0.9184.')}
        onCommit={setRate}
      />
      <span>{to}, from</span>
      <TextInput
        label="From date"
        value={date}
        check={(text) => (parseDate(text) === undefined ? 'A date such as 2027-03-01.' : undefined)}
        onCommit={setDate}
      />
      <Button isDisabled={!ready} onPress={() => onAdd({ from, to, rate, date })}>
        Add the rate
      </Button>
    </Line>
  )
}

const Grid = styled.div`
  display: grid;
  gap: 12px;
  min-width: min(560px, 84vw);
`

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 6px 8px;
  align-items: baseline;
`

const RateLine = styled.li`
  display: flex;
  justify-content: space-between;
  gap: 12px;
  align-items: center;
  padding: 3px 0;
  border-top: 1px solid var(--rule);
`

const Warning = styled.p`
  color: var(--leak);
`
