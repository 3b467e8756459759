// What an endpoint is: one line of the table from which the server is checked, the client is typed and OpenAPI is made.
import type { Role } from '../people/auth'
import type { OwnProblem } from './problems'

/** Who may call an endpoint. */
export type Permit = 'anyone' | readonly [Role, ...Role[]]
export const ANYONE = 'anyone'
export const ALL = ['lead', 'instructor', 'apprentice'] as const
export const STAFF = ['lead', 'instructor'] as const
export const LEAD = ['lead'] as const
export const APPRENTICE = ['apprentice'] as const

/** What a request carries where it is not JSON. */
export type Reads = 'json' | 'csv' | 'calendar' | 'picture'
/** What is answered where it is not JSON; `stream`: server-sent events. */
export type Gives = 'json' | 'csv' | 'pdf' | 'jpeg' | 'png' | 'zip' | 'calendar' | 'file' | 'stream'

export type Endpoint = {
  readonly method: 'get' | 'post' | 'put'
  readonly path: `/${string}`
  readonly who: Permit
  /** what it does, in a sentence */
  readonly does: string
  readonly reads?: Reads
  readonly gives?: Gives
  /** signing, accounts, erasing: who came in by PIN says the password first */
  readonly needs?: 'password'
  /** names that the query may hold */
  readonly query?: readonly string[]
  /** its own refusals, besides those that every endpoint may answer */
  readonly problems?: readonly OwnProblem[]
}
type More = Omit<Endpoint, 'method' | 'path' | 'who' | 'does'>
type Made<M extends Endpoint['method'], P, O> = { readonly method: M; readonly path: P; readonly who: Permit; readonly does: string } & O

const made =
  <M extends Endpoint['method']>(method: M) =>
  <const P extends Endpoint['path'], const O extends More = Record<never, never>>(path: P, who: Permit, does: string, more?: O) =>
    ({ method, path, who, does, ...more }) as Made<M, P, O>

export const get = made('get')
export const post = made('post')
export const put = made('put')

type Name<T extends string> = T extends `${infer N}.${string}` ? N : T
/** The names in a path: `/dogs/:id/visits` has `id`. */
export type ParamsOf<P extends string> = P extends `${string}/:${infer N}/${infer Rest}`
  ? Name<N> | ParamsOf<`/${Rest}`>
  : P extends `${string}/:${infer N}`
    ? Name<N>
    : never
