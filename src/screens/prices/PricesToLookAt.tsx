'use client'

import styled from 'styled-components'
import { withAnswer } from '../../core/pricelist/answerPrices.ts'
import type { PriceAnswer } from '../../core/pricelist/listMapping.ts'
import { parseDecimal } from '../../core/quantity/decimal.ts'
import { sign } from '../../core/quantity/exact.ts'
import { QuietButton } from '../../interface/Button'
import { TextInput } from '../../interface/TextInput'
import { ListDoubts } from './ListDoubts'
import type { MappingEdit } from './useMapping.ts'
import { formatNumber } from '../../wording/number'

const MOST_SHOWN = 8

/** Prices that stand out or that the list says twice, each with its row: to be taken as it is, mended or left out. */
export function PricesToLookAt({ edit }: { readonly edit: MappingEdit }) {
  const { reading, mapping, change } = edit
  const { odd, contradictions } = reading
  const { answers = [] } = mapping
  const answer = (said: PriceAnswer): void => change({ ...mapping, answers: withAnswer(answers, said) })
  return (
    <>
      <ListDoubts edit={edit} />
      {odd.slice(0, MOST_SHOWN).map(({ size, place, price, vcpu, factor, from }) => (
        <li key={`${size} ${place}`}>
          <b>
            {size} in {place}
          </b>{' '}
          {factor === 0
            ? 'is free of charge. Does the provider say so?'
            : `costs ${factor < 1 ? `one ${Math.round(1 / factor)}th` : `${Math.round(factor)} times`} of its neighbours: ${price} for ${vcpu} vCPU. A slipped decimal?`}{' '}
          <small>row {formatNumber(from.row)}</small>
          <Answers of={{ size, place, listed: price }} onAnswer={answer} />
        </li>
      ))}
      {contradictions.slice(0, MOST_SHOWN).map(({ about, of, place, isPlain, first, second }) => (
        <li key={`${about} ${of} ${place ?? ''} ${second.row}`}>
          Two answers for the {about === 'vcpu' ? 'vCPU' : about} of <b>{place ? `${of} in ${place}` : of}</b>
          : {first.value} and {second.value}; the first stands.{' '}
          <small>
            rows {formatNumber(first.row)} and {formatNumber(second.row)}
          </small>
          {about === 'price' && place !== undefined && isPlain && (
            <Answers of={{ size: of, place, listed: first.value }} other={second.value} onAnswer={answer} />
          )}
        </li>
      ))}
      {answers.length > 0 && (
        <li>
          {formatNumber(answers.length)} {answers.length === 1 ? 'price was' : 'prices were'} answered by
          hand. <QuietButton onPress={() => change(without(mapping))}>Ask again</QuietButton>
        </li>
      )}
    </>
  )
}

const without = ({ answers, ...mapping }: MappingEdit['mapping']): MappingEdit['mapping'] => mapping

function Answers({
  of,
  other,
  onAnswer,
}: {
  readonly of: Pick<PriceAnswer, 'size' | 'place' | 'listed'>
  /** What the list says as well. */
  readonly other?: string
  readonly onAnswer: (said: PriceAnswer) => void
}) {
  const name = `${of.size} in ${of.place}`
  return (
    <Line role="group" aria-label={`What to do about ${name}`}>
      <QuietButton onPress={() => onAnswer({ ...of, is: 'right' })}>It is right</QuietButton>
      {other !== undefined && (
        <QuietButton onPress={() => onAnswer({ ...of, is: 'mended', price: other })}>
          Take {other}
        </QuietButton>
      )}
      <QuietButton onPress={() => onAnswer({ ...of, is: 'left-out' })}>Leave it out</QuietButton>
      <TextInput
        label={`Price of ${name} in truth`}
        value={of.listed}
        floating
        check={(text) => {
          const price = parseDecimal(text)
          return price && sign(price) >= 0 ? undefined : 'A price such as 0.2067.'
        }}
        onCommit={(price) => onAnswer({ ...of, is: 'mended', price })}
      />
    </Line>
  )
}

const Line = styled.span`
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
  align-items: center;

  input {
    width: 96px;
  }
`
