'use client'

import styled from 'styled-components'
import { parseDate } from '../../core/calendar/civil.ts'
import { isTimeZone } from '../../core/calendar/zoneOffsets.ts'
import { LONGEST_CREDIT_YEARS, type Credit } from '../../core/machine/plan.ts'
import { isAmount } from '../../files/reading/moneyText.ts'
import { Button } from '../../interface/Button'
import { Dropdown } from '../../interface/Dropdown'
import { Dialog } from '../../interface/Dialog'
import { TextInput } from '../../interface/TextInput'
import { setMoney } from '../../store/commands.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'

interface BudgetDialogProps {
  readonly onClose: () => void
}

/** What a month may cost, and money that is given once and lost at a date. */
export function BudgetDialog({ onClose }: BudgetDialogProps) {
  return (
    <Dialog title="Budget and credit" isOpen onClose={onClose}>
      <Fields />
      <Button onPress={onClose}>Done</Button>
    </Dialog>
  )
}

const AMOUNT = 'An amount such as 600 or 1200.50, without a sign or separators.'

/** No provider is called so: ids have no blanks. */
const ALL = 'all providers'

function Fields() {
  const { session, state, month } = useWorkbench()
  const providers = [...new Map(state.books.map(({ provider }) => [provider.id, provider])).values()]
  const { plan } = state
  const { budget, credit } = plan
  const change = (label: string, part: Parameters<typeof setMoney>[0]): void =>
    session.edit(label, setMoney(part))
  const start: Credit = {
    amount: '1000',
    from: `${month}-01`,
    expires: `${Number(month.slice(0, 4)) + 1}${month.slice(4)}-01`,
    timeZone: plan.weeks[0]?.timeZone ?? 'Etc/UTC',
  }
  const setCredit = (part: Partial<Credit>): void =>
    change('credit', { credit: { ...(credit ?? start), ...part } })
  return (
    <Grid>
      <Line>
        <span>A month may cost, before tax,</span>
        <TextInput
          label="Budget of a month"
          value={budget ?? ''}
          whenEmpty="no budget"
          check={(text) => (text === '' || isAmount(text) ? undefined : AMOUNT)}
          onCommit={(text) => change('budget', { budget: text === '' ? undefined : text })}
        />
      </Line>
      {!credit ? (
        <Button onPress={() => setCredit({})}>Add a credit that expires</Button>
      ) : (
        <>
          <Line>
            <span>There is a credit of</span>
            <TextInput
              label="Credit"
              value={credit.amount}
              check={(text) => (isAmount(text) ? undefined : AMOUNT)}
              onCommit={(amount) => setCredit({ amount })}
            />
            <span>from</span>
            <TextInput
              label="Pays from"
              value={credit.from}
              check={(text) => datesProblem(text, credit.expires)}
              onCommit={(from) => setCredit({ from })}
            />
            <span>to the end of</span>
            <TextInput
              label="Expires after"
              value={credit.expires}
              check={(text) => datesProblem(credit.from, text)}
              onCommit={(expires) => setCredit({ expires })}
            />
          </Line>
          <Line>
            <span>Dates of</span>
            <TextInput
              label="Time zone of the credit"
              value={credit.timeZone}
              check={(text) =>
                isTimeZone(text) ? undefined : 'A time zone of the IANA list, such as Europe/Lisbon.'
              }
              onCommit={(timeZone) => setCredit({ timeZone })}
            />
            <span>for machines of</span>
            <Dropdown
              label="What the credit pays for"
              value={credit.provider ?? ALL}
              options={[
                { id: ALL, name: 'all providers' },
                ...providers.map(({ id, name }) => ({ id, name })),
              ]}
              onChange={(provider) => {
                const { provider: _, ...of } = credit
                change('credit', { credit: provider === ALL ? of : { ...of, provider } })
              }}
            />
            <Button onPress={() => change('no credit', { credit: undefined })}>Delete the credit</Button>
          </Line>
        </>
      )}
    </Grid>
  )
}

function datesProblem(from: string, expires: string): string | undefined {
  const [first, last] = [parseDate(from), parseDate(expires)]
  if (first === undefined || last === undefined) return 'A date such as 2027-09-30.'
  if (last < first) return 'It cannot expire before it pays.'
  return last - first > LONGEST_CREDIT_YEARS * 366 ? `At most ${LONGEST_CREDIT_YEARS} years.` : undefined
}

const Grid = styled.div`
  display: grid;
  gap: 12px;
  justify-items: start;
  min-width: min(560px, 84vw);
`

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 6px 8px;
  align-items: baseline;
`
