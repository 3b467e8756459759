import { liftHoldSchema, newFigureSchema, type LiftHold, type NewFigure } from '@peen/contract'
import type { Schema } from 'yup'
import { route, type Route } from '../../http'
import { apprenticeList, apprenticeView, liftHold } from './apprentices'
import { addFigure, figuresOf, removeFigure } from './figures'

const EVERYBODY = ['lead', 'instructor', 'apprentice'] as const

export const apprenticeRoutes: readonly Route[] = [
  route('get', '/apprentices', EVERYBODY, ({ services, actor }) => apprenticeList(services, actor)),
  route('get', '/apprentices/:id', EVERYBODY, ({ services, actor, params }) => apprenticeView(services, actor, params.id)),
  route<LiftHold>(
    'post',
    '/apprentices/:id/lift-hold',
    ['lead'],
    ({ services, actor, params, body }) => liftHold(services, actor, params.id, body),
    liftHoldSchema
  ),
  route('get', '/apprentices/:id/figures', EVERYBODY, ({ services, actor, params }) => figuresOf(services, actor, params.id)),
  route<NewFigure>(
    'post',
    '/apprentices/:id/figures',
    EVERYBODY,
    ({ services, actor, params, body }) => addFigure(services, actor, params.id, body),
    newFigureSchema as Schema<NewFigure>
  ),
  route('post', '/figures/:id/remove', EVERYBODY, ({ services, actor, params }) => removeFigure(services, actor, params.id))
]
