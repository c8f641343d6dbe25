import { planChange } from '../core/advice/planChange.ts'
import { answerQuestions } from './answerQuestions.ts'
import type { ChangeQuestion } from './askers.ts'

answerQuestions(({ after, ...inputs }: ChangeQuestion) => after.map((plan) => planChange(inputs, plan)))
