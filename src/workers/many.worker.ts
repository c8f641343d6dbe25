import { previewMany } from '../core/wholePlan/previewMany.ts'
import { answerQuestions } from './answerQuestions.ts'
import type { ManyQuestion } from './askers.ts'

answerQuestions(({ names, change, ...inputs }: ManyQuestion) => previewMany(inputs, names, change))
