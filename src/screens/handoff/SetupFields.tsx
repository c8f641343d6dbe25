'use client'

import { useState } from 'react'
import { Label, TextArea, TextField } from 'react-aria-components'
import styled from 'styled-components'
import { isTimeZone } from '../../core/calendar/zoneOffsets.ts'
import type { Machine } from '../../core/machine/plan.ts'
import {
  isCommand,
  isPackageName,
  isPublicKey,
  LONGEST_COMMAND,
  MOST_COMMANDS,
  MOST_PACKAGES,
  type Setup,
} from '../../core/machine/setup.ts'
import { cloudConfig } from '../../files/handoff/cloudConfig.ts'
import { TextInput } from '../../interface/TextInput'
import { media } from '../../interface/theme/media'
import { setSetup } from '../../store/commands.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'

/** What a machine does at its first start, and the user data that says so. */
export function SetupFields({ machine, hostName }: { readonly machine: Machine; readonly hostName: string }) {
  const { session } = useWorkbench()
  const { setup = {} } = machine
  const change = (what: string, part: { [Field in keyof Setup]?: Setup[Field] | undefined }): void =>
    session.edit(`${machine.name}: ${what}`, setSetup(machine.name, part))
  return (
    <Section aria-label="User data" data-print="no">
      <div>
        <h2>User data for its first start</h2>
        <Fields>
          <TextInput
            showLabel
            wide
            label="Public key"
            value={setup.publicKey ?? ''}
            whenEmpty="ssh-ed25519 AAAA… name"
            check={(text) =>
              text === '' || isPublicKey(text) ? undefined : 'A public key on one line; never a private one.'
            }
            onCommit={(text) => change('public key', { publicKey: text === '' ? undefined : text })}
          />
          <TextInput
            showLabel
            label="Time zone of its clock"
            value={setup.timeZone ?? ''}
            whenEmpty="as the image has it"
            check={(text) =>
              text === '' || isTimeZone(text)
                ? undefined
                : 'A time zone of the IANA list, such as Europe/Lisbon.'
            }
            onCommit={(text) => change('time zone', { timeZone: text === '' ? undefined : text })}
          />
          <Lines
            label="Packages, one a line"
            value={setup.packages ?? []}
            most={MOST_PACKAGES}
            check={(line) => (isPackageName(line) ? undefined : `“${line}” is no name of a package.`)}
            onCommit={(packages) =>
              change('packages', { packages: packages.length > 0 ? packages : undefined })
            }
          />
          <Lines
            label="Start-up commands, one a line"
            value={setup.commands ?? []}
            most={MOST_COMMANDS}
            check={(line) =>
              isCommand(line)
                ? undefined
                : `A line of at most ${LONGEST_COMMAND} letters, without control characters.`
            }
            onCommit={(commands) =>
              change('start-up commands', { commands: commands.length > 0 ? commands : undefined })
            }
          />
        </Fields>
        <Note>
          Name and administrator are those of its Access. No password and no private key has a place here.
        </Note>
      </div>
      <Preview aria-label="User data as it will be saved" tabIndex={0}>
        {cloudConfig(machine, hostName)}
      </Preview>
    </Section>
  )
}

interface LinesProps {
  readonly label: string
  readonly value: readonly string[]
  readonly most: number
  readonly check: (line: string) => string | undefined
  readonly onCommit: (lines: readonly string[]) => void
}

/** Several lines of text, taken on leaving; lines that will not do are said, and nothing is taken until they do. */
function Lines({ label, value, most, check, onCommit }: LinesProps) {
  const [draft, setDraft] = useState<string>()
  const lines = [...new Set((draft ?? '').split('\n').map((line) => line.trim()))].filter(Boolean)
  const problem =
    draft === undefined
      ? undefined
      : lines.length > most
        ? `At most ${most} lines.`
        : lines.map(check).find((found) => found !== undefined)
  return (
    <TextField
      value={draft ?? value.join('\n')}
      isInvalid={problem !== undefined}
      onChange={setDraft}
      onBlur={() => {
        if (draft === undefined || problem !== undefined) return
        setDraft(undefined)
        if (lines.join('\n') !== value.join('\n')) onCommit(lines)
      }}
    >
      <Label>{label}</Label>
      <Area rows={4} spellCheck={false} />
      {problem !== undefined && <Problem role="alert">{problem}</Problem>}
    </TextField>
  )
}

const Section = styled.section`
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(240px, 2fr);
  gap: 12px 32px;
  margin-top: 18px;
  padding-top: 12px;
  border-top: 1px solid var(--rule);
  ${media.narrow} {
    grid-template-columns: minmax(0, 1fr);
  }
`

const Fields = styled.div`
  display: grid;
  gap: 10px;
  margin-top: 8px;
`

const Area = styled(TextArea)`
  display: block;
  width: 100%;
  margin-top: 3px;
  padding: 5px 7px;
  border: 1px solid var(--plate-edge);
  border-radius: 3px;
  background: var(--paper);
  font-family: ui-monospace, monospace;
  font-size: 12px;
`

const Problem = styled.p`
  color: var(--leak);
`

const Note = styled.p`
  margin-top: 8px;
  font-size: 12px;
  color: var(--ink-2);
`

const Preview = styled.pre`
  margin: 0;
  padding: 8px 10px;
  max-height: 340px;
  overflow: auto;
  border: 1px solid var(--rule);
  background: var(--paper);
  font-size: 12px;
`
