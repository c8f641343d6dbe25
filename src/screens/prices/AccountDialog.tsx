'use client'

import styled from 'styled-components'
import { editionsOf } from '../../core/catalogue/bookFor.ts'
import type { AccountFacts, Quotas } from '../../core/catalogue/account.ts'
import { Button } from '../../interface/Button'
import { Dialog } from '../../interface/Dialog'
import { NumberInput } from '../../interface/NumberInput'
import { Tick } from '../../interface/Tick'
import { setAccount } from '../../store/providerCommands.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'

const QUOTAS = [
  ['vcpu', 'vCPU in all'],
  ['machines', 'machines'],
  ['fixedAddresses', 'fixed addresses'],
] as const satisfies readonly (readonly [keyof Quotas, string])[]

const MOST = 100_000

interface AccountDialogProps {
  readonly provider: string
  readonly onClose: () => void
}

/** What the person's own account may do at a provider, where that is less than its price book says. */
export function AccountDialog({ provider, onClose }: AccountDialogProps) {
  const { session, state, keptBooks } = useWorkbench()
  const book = editionsOf(provider, keptBooks).at(-1)
  const account: AccountFacts = state.plan.providers?.find(({ id }) => id === provider)?.account ?? {}
  if (!book) return null
  const { families, quotas = {}, used = [] } = account
  const set = (part: { readonly [Field in keyof AccountFacts]?: AccountFacts[Field] | undefined }): void => {
    const next = Object.fromEntries(
      Object.entries({ ...account, ...part }).filter(([, value]) => value !== undefined),
    ) as AccountFacts
    const isEmpty = Object.keys(next).length === 0
    session.edit(`the account at ${book.provider.name}`, setAccount(provider, isEmpty ? undefined : next))
  }
  const setQuota = (what: keyof Quotas, most: number): void => {
    const { [what]: _, ...others } = quotas
    // Nought asks for no limit: an account that may have nothing is not considered.
    const next: Quotas = most === 0 ? others : { ...others, [what]: most }
    set({ quotas: Object.keys(next).length === 0 ? undefined : next })
  }
  const all = book.families.map(({ id }) => id)
  const may = new Set(families ?? all)
  return (
    <Dialog title={`Your account at ${book.provider.name}`} isOpen onClose={onClose}>
      <p>Where your account may do less than the price book says. It goes before the book’s own quotas.</p>
      <Table>
        <tbody>
          {QUOTAS.map(([what, name]) => (
            <tr key={what}>
              <th scope="row">At most</th>
              <td>
                <NumberInput
                  label={`At most so many ${name}, 0 for as the book says`}
                  unit={name}
                  value={quotas[what] ?? 0}
                  step={1}
                  most={MOST}
                  onChange={(most) => setQuota(what, most)}
                />
                <small>{quotas[what] === undefined ? limitText(book.quotas?.[what]) : ''}</small>
              </td>
            </tr>
          ))}
          {(book.freeAllowances ?? []).map(({ id, name, hoursPerMonth }) =>
            hoursPerMonth === undefined ? null : (
              <tr key={id}>
                <th scope="row">{name ?? id}</th>
                <td>
                  <NumberInput
                    label={`Hours of ${name ?? id} that others use each month`}
                    unit={`of ${hoursPerMonth} h a month are used by others`}
                    value={used.find(({ allowance }) => allowance === id)?.hoursPerMonth ?? 0}
                    step={10}
                    most={hoursPerMonth}
                    onChange={(hours) => {
                      const others = used.filter(({ allowance }) => allowance !== id)
                      const next = hours === 0 ? others : [...others, { allowance: id, hoursPerMonth: hours }]
                      set({ used: next.length === 0 ? undefined : next })
                    }}
                  />
                </td>
              </tr>
            ),
          )}
          <tr>
            <th scope="row">Families</th>
            <td>
              {book.families.map(({ id, name }) => (
                <Tick
                  key={id}
                  label={name}
                  checked={may.has(id)}
                  disabled={may.size === 1 && may.has(id)}
                  onChange={(isSold) => {
                    const next = all.filter((each) => (each === id ? isSold : may.has(each)))
                    set({ families: next.length === all.length ? undefined : next })
                  }}
                />
              ))}
            </td>
          </tr>
        </tbody>
      </Table>
      <Button onPress={onClose}>Done</Button>
    </Dialog>
  )
}

const limitText = (most: number | undefined): string =>
  most === undefined ? 'the book sets no limit' : `the book says ${most}`

const Table = styled.table`
  margin: 8px 0;
  border-collapse: collapse;

  th,
  td {
    padding: 5px 10px 5px 0;
    text-align: left;
    font-weight: 400;
    vertical-align: baseline;
    border-top: 1px solid var(--rule);
  }
  th {
    color: var(--ink-2);
  }
  td > * {
    margin-right: 12px;
  }
  small {
    color: var(--ink-2);
  }
`
