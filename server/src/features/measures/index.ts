import { marksSchema, type SaveMarks } from '@peen/contract'
import { route, type Route } from '../../http'
import { takePicture } from './camera'
import { measurePage, saveMarks } from './measures'

const STAFF = ['lead', 'instructor'] as const

export const measureRoutes: readonly Route[] = [
  route('get', '/gradings/:id/measures', STAFF, ({ services, actor, params }) => measurePage(services, actor, params.id)),
  route<SaveMarks>(
    'put',
    '/pictures/:id/marks',
    STAFF,
    ({ services, actor, params, body }) => saveMarks(services, actor, params.id, body),
    marksSchema as never
  ),
  route('post', '/visits/:id/camera/:moment/:stance', STAFF, ({ services, actor, params }) =>
    takePicture(services, actor, params.id, params.moment, params.stance)
  )
]
