import { editionEffect, type EditionEffectInputs } from '../core/pricelist/editionEffect.ts'
import { summariseEditions } from '../core/pricelist/summariseEditions.ts'
import { answerQuestions } from './answerQuestions.ts'

answerQuestions((inputs: EditionEffectInputs) => ({
  summary: summariseEditions(inputs.before, inputs.after),
  effects: editionEffect(inputs),
}))
