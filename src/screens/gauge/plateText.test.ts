import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { PlanPricing } from '../../core/meter/planPricing.ts'
import { platesOf } from '../../core/notches/plates.ts'
import { DEMO_BOOKS } from '../../core/testing/demoBooks.ts'
import { readPlan } from '../../files/plan/planFile.ts'
import { choiceWords } from '../../wording/choice'
import { reasonsText } from '../../wording/reason'
import { foldText, spokenValue } from './plateText.ts'

const read = readPlan(readFileSync('data/larkspur-trams.json', 'utf8'))
if (!read.ok) throw new Error('the demo is not valid')
const plan = read.value
const pricing = new PlanPricing({ plan, books: DEMO_BOOKS, month: plan.month, reading: 'calendar' })

const machines = plan.machines.map((machine) => {
  const priced = pricing.of(machine)
  if (!priced.ok) throw new Error(JSON.stringify(priced.issues))
  const { resolved, month, account, estimate } = priced
  const elsewhere = pricing.elsewhere(resolved.index)
  const plates = platesOf({ resolved, plan, month, shared: account.planned, elsewhere })
  return { name: machine.name, resolved, plates, currency: estimate.currency }
})

/** `Heron 4/16, € 58.17 a month. Cheaper: Kite 4/16, −6.58. Dearer: Pelican 4/32, +22.94. 3 of 48 choices are closed.` */
const SENTENCES =
  /^[^.]+(\.[^ ][^.]*)*, [€$] [\d,]+\.\d\d a month\. (Cheaper: .+, −[\d.,]+\.|Nothing cheaper fits\.) (Dearer: .+, \+[\d.,]+\.|Nothing dearer fits\.)( \d+ of \d+ choices are closed\.)?$/

describe.each(machines.map((machine) => [machine.name, machine] as const))('%s', (_, machine) => {
  const { resolved, plates, currency } = machine

  test('every plate reads as sentences', () => {
    for (const plate of plates) {
      expect(spokenValue(plate, (notch) => choiceWords(notch, resolved), currency)).toMatch(SENTENCES)
      if (plate.fold)
        expect(foldText(plate, (notch) => choiceWords(notch, resolved))).toMatch(/^[a-z].{5,}[^.]$/)
    }
  })

  test('every closed choice says why in words, with what it has and what is needed', () => {
    let closed = 0
    for (const { notches } of plates) {
      for (const { reasons, total, carried } of notches) {
        if (!total && !carried) expect(reasons.length).toBeGreaterThan(0)
        for (const reason of reasons) {
          const text = reasonsText([reason])
          expect(text).toMatch(/\w+ \w+/)
          expect(text).not.toMatch(/undefined|NaN|\[object/)
          // What is sold or not has no figure; all else says its own and the other.
          const isSale = /sold|such state|cannot|hold a system|no rate|keep|kept|lost|no price/.test(text)
          if (!isSale) expect(text).toMatch(/\d|arm64|x86|allow/)
          closed += 1
        }
      }
    }
    expect(closed).toBeGreaterThan(0)
  })
})
