import { readInventory } from '../files/inventory/readInventory.ts'
import { answerQuestions } from './answerQuestions.ts'

answerQuestions(readInventory)
