import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import type { DecisionRules } from './decisionRules.ts'

interface ImageTaken {
  readonly image: string
  readonly ownLicence: boolean
}

export const IMAGE_DECISION: DecisionRules<ImageTaken> = {
  choices: (resolved) =>
    resolved.index.book.images.flatMap(({ id: image, licence }) => {
      const choice = { image, ownLicence: false }
      return canOwn(resolved, licence) ? [choice, { image, ownLicence: true }] : [choice]
    }),
  present: (resolved) => {
    const { machine, image } = resolved
    return {
      image: machine.image,
      ownLicence: (machine.ownLicence ?? false) && canOwn(resolved, image.licence),
    }
  },
  apply: ({ ownLicence: before, ...machine }, { image, ownLicence }) =>
    before || ownLicence ? { ...machine, image, ownLicence } : { ...machine, image },
  resolve: ({ index }, { image }) => ({ image: index.images.get(image)! }),
  key: ({ image, ownLicence }) => (ownLicence ? `${image}-own` : image),
  leavesWorkAlone: ({ image }, machine) => image === machine.image,
}

const canOwn = ({ index }: ResolvedMachine, licence: string | undefined): boolean =>
  licence !== undefined && (index.licences.get(licence)?.licence.ownLicence ?? false)
