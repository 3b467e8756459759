import { serve, type Route } from '../../http'
import { takePicture } from './camera'
import { measurePage, saveMarks } from './measures'
import { outlineByShape } from './shape'

export const measureRoutes: readonly Route[] = [
  serve('measures', ({ services, actor, params }) => measurePage(services, actor, params.id)),
  serve('saveMarks', ({ services, actor, params, body }) => saveMarks(services, actor, params.id, body)),
  serve('findByShape', ({ services, actor, params, body }) => outlineByShape(services, actor, params.id, body)),
  serve('takePicture', ({ services, actor, params }) => takePicture(services, actor, params.id, params.moment, params.stance))
]
