// The shape of what each endpoint takes; apart from the table, so that a page that only asks does not load them all.
import { calendarBodies } from './calendar'
import { credentialBodies } from './credentials'
import { dogBodies } from './dogs'
import { evidenceBodies } from './evidence'
import { floorBodies } from './floor'
import { gradingBodies } from './grading'
import { libraryBodies } from './library'
import { peopleBodies } from './people'
import { portfolioBodies } from './portfolios'
import type { EndpointName } from '../endpoints'
import type { Schema } from '../shape/yup'

export const BODIES = {
  ...peopleBodies,
  ...floorBodies,
  ...dogBodies,
  ...libraryBodies,
  ...gradingBodies,
  ...evidenceBodies,
  ...credentialBodies,
  ...portfolioBodies,
  ...calendarBodies
} satisfies Readonly<Partial<Record<EndpointName, Schema>>>

type Bodies = typeof BODIES
export type BodyOf<N extends EndpointName> = N extends keyof Bodies ? (Bodies[N] extends Schema<infer B> ? B : never) : undefined
