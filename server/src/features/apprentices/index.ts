import { serve, type Route } from '../../http'
import { apprenticeList, apprenticeView, liftHold } from './apprentices'
import { addFigure, figuresOf, removeFigure } from './figures'

export const apprenticeRoutes: readonly Route[] = [
  serve('apprentices', ({ services, actor }) => apprenticeList(services, actor), { alike: 'staff' }),
  serve('apprentice', ({ services, actor, params }) => apprenticeView(services, actor, params.id), { alike: 'staff' }),
  serve('liftHold', ({ services, actor, params, body }) => liftHold(services, actor, params.id, body)),
  serve('figures', ({ services, actor, params }) => figuresOf(services, actor, params.id)),
  serve('addFigure', ({ services, actor, params, body }) => addFigure(services, actor, params.id, body)),
  serve('removeFigure', ({ services, actor, params }) => removeFigure(services, actor, params.id))
]
