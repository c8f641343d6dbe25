'use client'

import styled from 'styled-components'
import type { Machine } from '../../core/machine/plan.ts'
import type { PricedMachine } from '../../core/meter/planPricing.ts'
import { gib } from '../../core/quantity/units.ts'
import { Dropdown } from '../../interface/Dropdown'
import { NumberInput } from '../../interface/NumberInput'
import { Tick } from '../../interface/Tick'
import { setMachine } from '../../store/commands.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'

const ADDRESSES = [
  { id: 'none', name: 'no public address' },
  { id: 'changing', name: 'a changing address', note: 'lost when the hardware is given back' },
  { id: 'fixed', name: 'a fixed address', note: 'stays' },
] as const

/** What else the machine has: its address, traffic, licence, and its vCPU and memory where they can be chosen. */
export function Parts({ priced }: { readonly priced: PricedMachine }) {
  const { session } = useWorkbench()
  const { machine, image, index, size, region } = priced.resolved
  const change = (what: string, part: Partial<Machine>): void =>
    session.edit(`${machine.name}: ${what}`, setMachine(machine.name, part))
  const licence = image.licence === undefined ? undefined : index.licences.get(image.licence)?.licence
  const sold = ADDRESSES.filter(({ id }) => id === 'none' || region.prices.addresses[id])
  return (
    <Line>
      <Dropdown
        label="Public address"
        value={machine.address}
        options={sold}
        onChange={(address) => change('address', { address: address as Machine['address'] })}
      />
      {machine.address === 'fixed' && (
        <Tick
          label="goes with the machine when it is deleted"
          checked={machine.addressGoes ?? false}
          onChange={(addressGoes) => change('address', { addressGoes })}
        />
      )}
      <NumberInput
        label="Traffic out a month in GiB"
        unit="GiB out a month"
        value={machine.trafficOutGiB ?? 0}
        step={10}
        most={1_000_000}
        onChange={(traffic) => change('traffic out', { trafficOutGiB: gib(traffic) })}
      />
      {licence && (
        <Tick
          label={
            licence.ownLicence ? `own licence instead of ${licence.name}` : `${licence.name}: no own licence`
          }
          checked={(machine.ownLicence ?? false) && licence.ownLicence}
          disabled={!licence.ownLicence}
          onChange={(ownLicence) => change('own licence', { ownLicence })}
        />
      )}
      {size.choice && (
        <>
          <NumberInput
            label="vCPU"
            unit={`vCPU, ${size.choice.vcpu.least} to ${size.choice.vcpu.most} by ${size.choice.vcpu.step}`}
            value={size.vcpu}
            step={size.choice.vcpu.step}
            most={size.choice.vcpu.most}
            onChange={(vcpu) => vcpu > 0 && change('vCPU', { chosen: { vcpu, memoryGiB: size.memoryGiB } })}
          />
          <NumberInput
            label="Memory in GiB"
            unit={`GiB, ${size.choice.memoryGiB.least} to ${size.choice.memoryGiB.most}`}
            value={size.memoryGiB}
            step={size.choice.memoryGiB.step}
            most={size.choice.memoryGiB.most}
            onChange={(memory) =>
              memory > 0 && change('memory', { chosen: { vcpu: size.vcpu, memoryGiB: gib(memory) } })
            }
          />
        </>
      )}
    </Line>
  )
}

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
  align-items: center;
  padding-bottom: 12px;
`
