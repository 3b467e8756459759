import {
  addressOf,
  ENDPOINTS,
  type BodyOf,
  type EndpointName,
  type Me,
  type ParamOf,
  type Problem,
  type QueryOf,
  type Reply
} from '@peen/contract'
import { t } from '../words'

/** A refusal from the server, or no answer at all (status 0). */
export class ApiError extends Error {
  readonly problem: Problem
  constructor(problem: Problem) {
    super(problem.detail)
    this.problem = problem
  }
}

const OFFLINE: Problem = {
  type: 'urn:peen:problem:offline',
  title: t('shell.noAnswer'),
  status: 0,
  code: 'offline',
  detail: t('shell.peenNotAnswering')
}
/** What was not saved stays on the screen it was typed into. */
const UNSAVED = t('shell.peenNotAnsweringSoNot')
/** A gateway in front of Peen answers for it while it is down. */
const AWAY: ReadonlySet<number> = new Set([0, 502, 503, 504])

let csrf = ''
let onSignedOut: () => void = () => undefined
let onChange: () => () => void = () => () => undefined
let beforeChange: () => Promise<void> = async () => undefined
let onTaken: (name: EndpointName, given: object) => void = () => undefined
let onPasswordNeeded: () => Promise<boolean> = async () => false
/** Why nothing answers: no network to the server, or a server whose database is down. */
export type LostBy = 'network' | 'database'
let onReach: (reached: boolean, by?: LostBy) => void = () => undefined

/** The token that every change carries; known from the sign-in or from /me. */
export function rememberMe(me: Me | null): void {
  csrf = me?.csrf ?? ''
}
export function whenSignedOut(handler: () => void): void {
  onSignedOut = handler
}
/** Told when a change is on its way to the server; what it gives back is called at the answer. */
export function whenChanging(handler: () => () => void): void {
  onChange = handler
}
/** Told of every change that the server has taken, with what it was given. */
export function whenTaken(handler: (name: EndpointName, given: object) => void): void {
  onTaken = handler
}
/** Waited for before a change that carries no token: who goes on without the server is known to it again first. */
export function whenTokenMissing(handler: () => Promise<void>): void {
  beforeChange = handler
}
/** Asks a person who came in by PIN for the password; what was refused for want of it is then sent again. */
export function whenPasswordNeeded(handler: () => Promise<boolean>): void {
  onPasswordNeeded = handler
}
/** Told after every question whether the server answered it. */
export function whenAsked(handler: (reached: boolean, by?: LostBy) => void): void {
  onReach = handler
}
/** The server was not reached, or could not answer: what was read before may be shown, what waits goes on waiting. */
export const isUnreachable = (error: unknown): boolean => error instanceof ApiError && AWAY.has(error.problem.status)

type Only<Names extends string, Value> = [Names] extends [never] ? unknown : Readonly<Record<Names, Value>>
/** What an endpoint is given: the names in its path, a query, a body, a file as it is. */
export type Given<N extends EndpointName> = Only<ParamOf<N>, string | number> &
  ([QueryOf<N>] extends [never] ? unknown : { readonly query?: Readonly<Partial<Record<QueryOf<N>, string | number>>> }) &
  ([BodyOf<N>] extends [undefined] ? unknown : { readonly body: BodyOf<N> }) &
  ((typeof ENDPOINTS)[N] extends { readonly reads: string } ? { readonly file: Blob } : unknown)
type Args<N extends EndpointName> =
  unknown extends Given<N> ? [] : Record<never, never> extends Given<N> ? [given?: Given<N>] : [given: Given<N>]

type Sent = { readonly query?: Record<string, string>; readonly body?: unknown; readonly file?: Blob }

/** Asks one endpoint of the table; a refusal is thrown as `ApiError`. */
export async function ask<N extends EndpointName>(name: N, ...args: Args<N>): Promise<Reply<N>> {
  const { query, body, file, ...params } = (args[0] ?? {}) as Sent
  const method = ENDPOINTS[name].method.toUpperCase()
  const sent = file ?? (method === 'GET' ? undefined : JSON.stringify(body ?? {}))
  const type = file ? sentAs(name, file) : 'application/json'
  const answered = method === 'GET' ? undefined : onChange()
  if (method !== 'GET' && csrf === '') await beforeChange().catch(() => undefined)
  const asked = csrf
  let response: Response
  try {
    response = await fetch(addressOf(name, params as never, query as never), {
      method,
      credentials: 'same-origin',
      headers: { ...(sent === undefined ? {} : { 'content-type': type }), ...(csrf ? { 'x-peen-csrf': csrf } : {}) },
      body: sent
    })
  } catch {
    onReach(false)
    throw new ApiError(method === 'GET' ? OFFLINE : { ...OFFLINE, detail: UNSAVED })
  } finally {
    answered?.()
  }
  const answer = (await response.json().catch(() => null)) as Reply<N> & Problem & { readonly answers?: unknown }
  onReach(!AWAY.has(response.status), answer?.code === 'databaseAway' ? 'database' : 'network')
  if (response.ok) {
    if (method !== 'GET' && file === undefined) onTaken(name, args[0] ?? {})
    return answer
  }
  // an answer to who was here before does not sign out who has come in meanwhile
  if (response.status === 401 && name !== 'signIn' && name !== 'me' && asked === csrf) onSignedOut()
  if (answer?.code === 'passwordNeeded' && (await onPasswordNeeded())) return ask(name, ...args)
  // a single refused event comes back with its answers
  throw new ApiError(
    answer?.detail || answer?.answers
      ? { ...answer, status: response.status, detail: answer.detail ?? t('shell.refused') }
      : { ...OFFLINE, status: response.status, detail: t('shell.peensAnswerCouldNotRead') }
  )
}

const TEXTS: Readonly<Record<string, string>> = { csv: 'text/csv', calendar: 'text/calendar' }
const sentAs = (name: EndpointName, file: Blob) =>
  TEXTS[(ENDPOINTS[name] as { readonly reads?: string }).reads ?? ''] ?? (file.type || 'application/octet-stream')

/** What went wrong, as a sentence for the screen. */
export function sentenceOf(error: unknown): string {
  return error instanceof Error ? error.message : t('shell.somethingWentWrongPage')
}
