import { rehearsalFilm } from '../rehearsal/rehearsalFilm.ts'
import { answerQuestions } from './answerQuestions.ts'

answerQuestions(rehearsalFilm)
