'use client'

import { parseDate } from '../../core/calendar/civil.ts'
import type { LifeDates } from '../../core/machine/life.ts'
import { TextInput } from '../../interface/TextInput'

interface LifeFieldsProps {
  readonly days: LifeDates
  readonly onChange: (part: { readonly [Field in keyof LifeDates]: string | undefined }) => void
}

/** The dates between which a machine is planned to exist; empty ones are open. */
export function LifeFields({ days, onChange }: LifeFieldsProps) {
  const { firstDay, lastDay } = days
  const date = (text: string): string | undefined =>
    text === '' || parseDate(text) !== undefined ? undefined : 'Write a date like 2027-03-01, or nothing.'
  return (
    <>
      <TextInput
        label="First day"
        showLabel
        value={firstDay ?? ''}
        whenEmpty="always there"
        check={(text) =>
          date(text) ??
          (text !== '' && lastDay !== undefined && text > lastDay
            ? 'It comes after the last day.'
            : undefined)
        }
        onCommit={(text) => onChange({ firstDay: text || undefined })}
      />
      <TextInput
        label="Last day"
        showLabel
        value={lastDay ?? ''}
        whenEmpty="no end"
        check={(text) =>
          date(text) ??
          (text !== '' && firstDay !== undefined && text < firstDay
            ? 'It comes before the first day.'
            : undefined)
        }
        onCommit={(text) => onChange({ lastDay: text || undefined })}
      />
    </>
  )
}
