// The one table of endpoints: the server mounts it, the client asks by its names, OpenAPI is made from it.
import { calendarEndpoints, type CalendarReplies } from './calendar'
import { credentialEndpoints, type CredentialReplies } from './credentials'
import { dogEndpoints, type DogReplies } from './dogs'
import { evidenceEndpoints, type EvidenceReplies } from './evidence'
import type { Endpoint, ParamsOf } from './endpoint'
import { floorEndpoints, type FloorReplies } from './floor'
import { gradingEndpoints, type GradingReplies } from './grading'
import { libraryEndpoints, type LibraryReplies } from './library'
import { peopleEndpoints, type PeopleReplies } from './people'
import { portfolioEndpoints, type PortfolioReplies } from './portfolios'

export type { Endpoint, Gives, Permit, Reads } from './endpoint'
export { OWN_PROBLEMS, USUAL_PROBLEMS, type OwnProblem } from './problems'

export const ENDPOINTS = {
  ...peopleEndpoints,
  ...floorEndpoints,
  ...dogEndpoints,
  ...libraryEndpoints,
  ...gradingEndpoints,
  ...evidenceEndpoints,
  ...credentialEndpoints,
  ...portfolioEndpoints,
  ...calendarEndpoints
} satisfies Readonly<Record<string, Endpoint>>

type Table = typeof ENDPOINTS
export type EndpointName = keyof Table
/** What each endpoint answers; `never` where it is not JSON. */
export type Replies = PeopleReplies &
  FloorReplies &
  DogReplies &
  LibraryReplies &
  GradingReplies &
  EvidenceReplies &
  CredentialReplies &
  PortfolioReplies &
  CalendarReplies
export type Reply<N extends EndpointName> = Replies[N]
export type ParamOf<N extends EndpointName> = ParamsOf<Table[N]['path']>
export type QueryOf<N extends EndpointName> = Table[N] extends { readonly query: readonly (infer Q extends string)[] } ? Q : never

/** The address of an endpoint under its host, with its parameters and query in it. */
export function addressOf<N extends EndpointName>(
  name: N,
  params: Readonly<Record<ParamOf<N>, string | number>>,
  query?: Readonly<Partial<Record<QueryOf<N>, string | number>>>
): string {
  const given = params as Readonly<Record<string, string | number>>
  const path = ENDPOINTS[name].path.replace(/:([a-z]+)/gi, (_, param: string) => encodeURIComponent(given[param]))
  const words = new URLSearchParams(Object.entries(query ?? {}).map(([key, value]) => [key, String(value)])).toString()
  return `/api${path}${words ? `?${words}` : ''}`
}
