import { serve, type Route } from '../../http'
import { answersTold, keepAnswer } from './answers'

export { answeredBy, answersOf } from './answers'

export const answerRoutes: readonly Route[] = [
  serve('answers', ({ services, actor, params }) => answersTold(services, actor, params.id)),
  serve('keepAnswer', ({ services, actor, params, body }) => keepAnswer(services, actor, params.id, body))
]
