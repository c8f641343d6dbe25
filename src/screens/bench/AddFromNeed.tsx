'use client'

import { jurisdictions } from '../../core/catalogue/jurisdictions.ts'
import { NO_CURRENCY } from '../../core/quantity/currency.ts'
import { useMemo, useState } from 'react'
import styled from 'styled-components'
import { applyLeastNeeds, asItIs } from './applyLeastNeeds.ts'
import { newMachine } from '../../core/carry/newMachine.ts'
import { exchanged, exchangeEitherWay } from '../../core/machine/exchange.ts'
import type { Machine } from '../../core/machine/plan.ts'
import { IMAGE_NEEDS, type ImageNeed } from '../../core/machine/imageNeed.ts'
import { PlanPricing } from '../../core/meter/planPricing.ts'
import { searchLeavesOut } from '../../core/search/cheapestFit.ts'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import { parseDecimal } from '../../core/quantity/decimal.ts'
import { compare } from '../../core/quantity/exact.ts'
import { isOneLine } from '../../files/reading/oneLine.ts'
import { isAmount } from '../../files/reading/moneyText.ts'
import { Button } from '../../interface/Button'
import { Dialog } from '../../interface/Dialog'
import { Dropdown } from '../../interface/Dropdown'
import { NumberInput } from '../../interface/NumberInput'
import { TextInput } from '../../interface/TextInput'
import { leftOutText } from '../../wording/leftOut'
import { currencyCode, formatMoney } from '../../wording/money'
import { IMAGE_NEED_NAMES } from '../../wording/needs'
import { addMachine, addWeek } from '../../store/commands.ts'
import { freeName } from '../../store/recipes.ts'
import { searchAsker } from '../../workers/askers.ts'
import { useAnswer } from '../../workers/useAnswer.ts'
import { offeredWeeks } from '../workbench/offeredWeeks.ts'
import { useMachineActions } from '../workbench/useMachineActions'
import { useWorkbench } from '../workbench/WorkbenchContext'

const ANYWHERE = 'anywhere'

/** A machine out of a sentence: what for, how large, where, when, for how much at most. The cheapest that fits is found. */
export function AddFromNeed({ onClose }: { readonly onClose: () => void }) {
  const { session, state, month, address, go } = useWorkbench()
  const { plan, books } = state
  const { providers } = useMachineActions()
  const { reading } = address
  const [purpose, setPurpose] = useState('')
  const [name, setName] = useState(() =>
    freeName(
      'test-machine',
      plan.machines.map((each) => each.name),
    ),
  )
  const [vcpu, setVcpu] = useState(2)
  const [memory, setMemory] = useState(8)
  const [where, setWhere] = useState(ANYWHERE)
  const [weekId, setWeekId] = useState(plan.weeks[0]?.id ?? 'office-days')
  const [image, setImage] = useState<ImageNeed>('any-linux')
  const [most, setMost] = useState('')
  const offered = useMemo(() => offeredWeeks({ weeks: plan.weeks }), [plan.weeks])
  const { week, isNew } = offered.find((each) => each.week.id === weekId) ?? offered[0]!
  const [book] = providers
  const wanted = useMemo(() => {
    const start = book && newMachine(book, name, week)
    return (
      start &&
      applyLeastNeeds({ ...start, purpose }, vcpu, memory, where === ANYWHERE ? undefined : where, image)
    )
  }, [book, name, week, purpose, vcpu, memory, where, image])
  const searched = useMemo(() => {
    if (!wanted) return undefined
    const weeks = isNew ? [...plan.weeks, week] : plan.weeks
    return { plan: { ...plan, weeks, machines: [...plan.machines, wanted] }, machines: [wanted] }
  }, [wanted, plan, week, isNew])
  const { answer, isStale, failure } = useAnswer(
    searchAsker,
    // Nobody binds a machine for years in a sentence.
    searched && { ...searched, books, month, reading, uncommitted: true },
  )
  const best = answer && !isStale ? { found: answer[0] } : undefined
  const limit = most === '' ? undefined : parseDecimal(most)
  const currency = plan.currency ?? book?.currency ?? NO_CURRENCY
  const shown = best?.found && { total: best.found.total, currency: book?.currency ?? currency }
  const inPlan =
    shown && exchanged(shown.total, exchangeEitherWay(shown.currency, currency, plan.exchangeRates, month))
  const leftOut = useMemo(() => {
    if (!wanted) return []
    const weeks = isNew ? [...plan.weeks, week] : plan.weeks
    const pricing = new PlanPricing({ plan: { ...plan, weeks, machines: [wanted] }, books, month, reading })
    const priced = pricing.of(wanted)
    if (!priced.ok) return []
    const { resolved, month: billed } = priced
    return searchLeavesOut({
      resolved,
      plan,
      month: billed,
      shared: undefined,
      elsewhere: pricing.elsewhere(resolved.index),
    })
  }, [wanted, plan, week, isNew, books, month, reading])
  const isOver = limit !== undefined && inPlan !== undefined && compare(inPlan, limit) > 0
  const add = (view: 'gauge' | 'market'): void => {
    if (!best?.found) return
    const machine: Machine = { ...asItIs(best.found.machine), name, purpose }
    session.edit(`add ${name}`, (draft) => {
      if (isNew) addWeek(week)(draft)
      addMachine(machine)(draft)
      return undefined
    })
    go({ machine: name, view })
    onClose()
  }
  const takenNames = plan.machines.map((each) => each.name)
  return (
    <Dialog title="Add a machine" isOpen onClose={onClose}>
      <Sentence>
        <span>I need</span>
        <TextInput
          label="Name of the machine"
          value={name}
          check={(text) =>
            text.trim() === '' || !isOneLine(text, 60)
              ? 'A name of 1 to 60 letters, on one line.'
              : takenNames.includes(text)
                ? 'Another one has this name.'
                : undefined
          }
          onCommit={setName}
        />
        <span>for</span>
        <TextInput
          label="What it is for"
          value={purpose}
          whenEmpty="what it does"
          check={(text) => (isOneLine(text, 200) ? undefined : 'One line of at most 200 letters.')}
          onCommit={setPurpose}
        />
        <span>with at least</span>
        <NumberInput label="Least vCPU" unit="vCPU" value={vcpu} step={1} most={4_096} onChange={setVcpu} />
        <span>and</span>
        <NumberInput
          label="Least memory"
          unit="GiB"
          value={memory}
          step={1}
          most={65_536}
          onChange={setMemory}
        />
        <span>with</span>
        <Dropdown
          label="What it runs"
          value={image}
          options={IMAGE_NEEDS.map((id) => ({ id, name: IMAGE_NEED_NAMES[id] }))}
          onChange={(id) => setImage(IMAGE_NEEDS.find((each) => each === id) ?? 'any-linux')}
        />
        <span>, data kept</span>
        <Dropdown
          label="Where its data may be"
          value={where}
          options={[
            { id: ANYWHERE, name: 'anywhere' },
            ...jurisdictions(books).map((id) => ({ id, name: `in ${id}` })),
          ]}
          onChange={setWhere}
        />
        <span>, on during</span>
        <Dropdown
          label="When it is on"
          value={week.id}
          options={offered.map((each) => ({ id: each.week.id, name: each.week.name }))}
          onChange={setWeekId}
        />
        <span>, for at most</span>
        <TextInput
          label="At most a month"
          value={most}
          whenEmpty="any amount"
          check={(text) => (text === '' || isAmount(text) ? undefined : 'An amount such as 40.')}
          onCommit={setMost}
        />
        <span>{currencyCode(currency)} a month.</span>
      </Sentence>
      <p role="status" data-testid="need-answer">
        {!wanted
          ? 'No price book is valid in this month.'
          : failure
            ? `${failure} Change anything to try again.`
            : !best
              ? 'Looking everywhere…'
              : !best.found || !shown
                ? 'Nothing that is sold has all of this: ask for less, or for another place.'
                : `The cheapest that fits is ${describe(best.found.machine, books)}: ${formatMoney(shown.total, shown.currency)} a month.`}
        {best && leftOut.length > 0 && ` Left out: ${leftOut.map(leftOutText).join('; ')}.`}
        {isOver && <Over> That is more than {most}.</Over>}
      </p>
      <Line>
        <Button isDisabled={!best?.found} onPress={() => add('gauge')}>
          Add it{isOver ? ' all the same' : ''}
        </Button>
        <Button isDisabled={!best?.found} onPress={() => add('market')}>
          Add it, and see all that fits
        </Button>
        <Button onPress={onClose}>Cancel</Button>
      </Line>
    </Dialog>
  )
}

/** `Heron 2/8 (2 vCPU, 8 GiB) in Porto a, Fennmark, with Fellside Linux 12 on 10 GiB, on demand`. */
function describe(
  { provider, region, zone, size: id, chosen, image, systemDisk, terms }: Machine,
  books: readonly PriceBook[],
): string {
  const book = books.find(
    (each) => each.provider.id === provider && each.sizes.some((size) => size.id === id),
  )
  const size = book?.sizes.find((each) => each.id === id)
  const place = book?.regions.find((each) => each.id === region)?.name ?? region
  const imageName = book?.images.find((each) => each.id === image)?.name ?? image
  const onTerms = book?.terms.find((each) => each.id === terms)?.name ?? terms
  const isOwn = book?.diskKinds.find((each) => each.id === systemDisk.kind)?.room.by === 'size'
  const room = isOwn ? size?.localDiskGiB : systemDisk.roomGiB
  const { vcpu, memoryGiB } = chosen ?? size ?? { vcpu: 0, memoryGiB: 0 }
  return `${size?.name ?? id} (${vcpu} vCPU, ${memoryGiB} GiB) in ${place} ${zone}, ${book?.provider.name ?? provider}, with ${imageName} on ${room ?? 0} GiB, ${onTerms.toLowerCase()}`
}

const Sentence = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 6px 8px;
  align-items: baseline;
`

const Over = styled.b`
  color: var(--leak);
`

const Line = styled.div`
  display: flex;
  gap: 8px;
`
