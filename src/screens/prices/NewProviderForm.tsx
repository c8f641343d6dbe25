'use client'

import { useState, type FormEvent } from 'react'
import styled from 'styled-components'
import { LONGEST_NAME } from '../../core/pricelist/readRow.ts'
import { isCurrency } from '../../files/reading/moneyText.ts'
import { Button } from '../../interface/Button'
import { useNewProvider } from './useNewProvider.ts'

/** The least that a book needs before prices are typed: who sells, in what money, and where. */
export function NewProviderForm({ onDone }: { readonly onDone?: () => void }) {
  const begin = useNewProvider()
  const [name, setName] = useState('')
  const [currency, setCurrency] = useState('EUR')
  const [place, setPlace] = useState('')
  const [wasSent, setWasSent] = useState(false)
  const problems = {
    name: name.trim() === '' ? 'Who sells? Any name will do.' : undefined,
    currency: isCurrency(currency.toUpperCase()) ? undefined : 'Three letters of ISO 4217, such as EUR.',
    place: place.trim() === '' ? 'Where do the machines stand? Any name will do.' : undefined,
  }
  const send = (event: FormEvent): void => {
    event.preventDefault()
    setWasSent(true)
    if (Object.values(problems).some((problem) => problem !== undefined)) return
    begin({ name: name.trim(), currency: currency.toUpperCase(), place: place.trim() })
    onDone?.()
  }
  const field = (
    label: string,
    value: string,
    problem: string | undefined,
    onText: (text: string) => void,
    most: number,
    isFirst = false,
  ) => (
    <label>
      <span>{label}</span>
      <input
        value={value}
        maxLength={most}
        aria-invalid={wasSent && problem !== undefined}
        autoFocus={isFirst}
        autoComplete="off"
        spellCheck={false}
        onChange={({ target }) => onText(target.value)}
      />
      {wasSent && problem && <em role="alert">{problem}</em>}
    </label>
  )
  return (
    <Form onSubmit={send} aria-label="Type prices">
      {field('Provider', name, problems.name, setName, LONGEST_NAME, true)}
      {field('Place', place, problems.place, setPlace, LONGEST_NAME)}
      {field('Currency', currency, problems.currency, setCurrency, 3)}
      <Button type="submit">Type its prices</Button>
    </Form>
  )
}

const Form = styled.form`
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: flex-start;

  label {
    display: grid;
    gap: 2px;
    max-width: 220px;
  }
  label span {
    font-size: 12px;
    color: var(--ink-2);
  }
  label:nth-of-type(3) {
    max-width: 84px;
  }
  input {
    min-height: 28px;
    padding: 3px 8px;
    border: 1px solid var(--plate-edge);
    border-radius: 3px;
    background: var(--sheet);
    width: 100%;
  }
  em {
    font-style: normal;
    font-size: 12px;
    color: var(--leak);
  }
  button {
    margin-top: 20px;
  }
`
