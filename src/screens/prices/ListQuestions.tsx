'use client'

import { useState } from 'react'
import type { ListField, ListUnits, MappingQuestion } from '../../core/pricelist/listMapping.ts'
import { Button } from '../../interface/Button'
import { LIST_FIELD_NAMES, ROW_KIND_NAMES } from '../../wording/list'
import { FieldAnswer } from './FieldAnswer'
import { MappingCurrencies } from './MappingCurrencies'
import { MappingRow } from './MappingRow'
import { UNIT_NAMES, UnitAnswer } from './UnitAnswer'
import { byMoney, isAbout } from './columnQuestions.ts'
import type { MappingEdit } from './useMapping.ts'

/** Every question that was open since the list was: none goes from under a hand when it is answered. */
export type Asked = ReadonlySet<MappingQuestion>

export function useAsked(unsure: readonly MappingQuestion[]): Asked {
  const [asked, setAsked] = useState<Asked>(() => new Set(unsure))
  if (unsure.some((question) => !asked.has(question))) setAsked(new Set([...asked, ...unsure]))
  return asked
}

/** What was assumed and one choice would settle, the largest effect on money first. */
export function ListQuestions({ asked, edit }: { readonly asked: Asked; readonly edit: MappingEdit }) {
  const questions = byMoney(asked)
  if (questions.length === 0) return null
  return (
    <>
      <h2>
        Questions <small>largest effect first</small>
      </h2>
      {questions.map((question) => (
        <Question key={`${edit.at} ${question}`} question={question} edit={edit} />
      ))}
    </>
  )
}

function Question({ question, edit }: { readonly question: MappingQuestion; readonly edit: MappingEdit }) {
  const { mapping, meaning, unsure, lookAt } = edit
  if (!isAbout(question, meaning.is)) {
    const at = mapping.rows.findIndex(({ is }) => isAbout(question, is))
    return at < 0 || !unsure.includes(question) ? null : (
      <MappingRow name={questionName(question)} edit={edit}>
        <Button onPress={() => lookAt(at)}>Look at {ROW_KIND_NAMES[mapping.rows[at]!.is]}</Button>
      </MappingRow>
    )
  }
  if (question === 'currency') return <MappingCurrencies edit={edit} />
  if (question === 'prices') {
    const { prices = [] } = meaning
    return (
      <MappingRow name="prices" question="prices" edit={edit}>
        <small>{prices.length > 0 ? `in ${prices.length} columns` : 'in one column'}</small>
      </MappingRow>
    )
  }
  if (question.startsWith('field/'))
    return <FieldAnswer field={question.slice('field/'.length) as ListField} edit={edit} />
  return <UnitAnswer question={question as keyof ListUnits} edit={edit} />
}

const questionName = (question: MappingQuestion): string =>
  question.startsWith('field/')
    ? LIST_FIELD_NAMES[question.slice('field/'.length) as ListField]
    : UNIT_NAMES[question as keyof ListUnits]
