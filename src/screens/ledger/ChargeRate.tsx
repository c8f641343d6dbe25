'use client'

import type { Ledger } from '../../core/ledger/ledger.ts'
import type { PlanLedger } from '../../core/ledger/planLedger.ts'
import { RateInBook } from '../book/RateInBook'
import { useWorkbench } from '../workbench/WorkbenchContext'

interface ChargeRateProps {
  readonly answer: PlanLedger
  readonly line: Ledger['lines'][number]
}

/** The rate of a charge among its neighbours in its price book. */
export function ChargeRate({ answer, line }: ChargeRateProps) {
  const { books } = useWorkbench().state
  const { provider, edition } = answer.ledger.machines[line.machine]!
  const { pointer } = line.charge.rate
  const book = books.find((each) => each.provider.name === provider && each.edition === edition)
  return (
    <>
      <h2>
        The rate in the book of {provider}, {edition}
      </h2>
      {book ? <RateInBook book={book} pointer={pointer} /> : <code>{pointer}</code>}
    </>
  )
}
