import { searchPlan } from '../core/search/searchPlan.ts'
import { answerQuestions } from './answerQuestions.ts'

answerQuestions(searchPlan)
