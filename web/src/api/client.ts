import type { Me, Problem } from '@peen/contract'

/** A refusal from the server, or no answer at all (status 0). */
export class ApiError extends Error {
  readonly problem: Problem
  constructor(problem: Problem) {
    super(problem.detail)
    this.problem = problem
  }
  get isOffline(): boolean {
    return this.problem.status === 0
  }
}

const OFFLINE: Problem = {
  type: 'urn:peen:problem:offline',
  title: 'No answer',
  status: 0,
  code: 'offline',
  detail: 'Peen does not answer. What you entered is kept here and sent later.'
}

let csrf = ''
let onSignedOut: () => void = () => undefined

/** The token that every change carries; known from the sign-in or from /me. */
export function rememberMe(me: Me | null): void {
  csrf = me?.csrf ?? ''
}
export function whenSignedOut(handler: () => void): void {
  onSignedOut = handler
}

async function call<T>(method: string, path: string, body?: unknown, type = 'application/json'): Promise<T> {
  let response: Response
  try {
    response = await fetch(`/api${path}`, {
      method,
      credentials: 'same-origin',
      headers: { ...(body === undefined ? {} : { 'content-type': type }), ...(csrf ? { 'x-peen-csrf': csrf } : {}) },
      body: body === undefined ? undefined : type === 'application/json' ? JSON.stringify(body) : (body as BodyInit)
    })
  } catch {
    throw new ApiError(OFFLINE)
  }
  const answer = (await response.json().catch(() => null)) as T & Problem
  if (response.ok) return answer
  if (response.status === 401 && path !== '/sign-in' && path !== '/me') onSignedOut()
  // a single refused event comes back with its answers
  throw new ApiError(
    answer?.detail || answer?.answers
      ? { ...answer, status: response.status, detail: answer.detail ?? 'It was refused.' }
      : { ...OFFLINE, status: response.status, detail: 'Peen gave an answer that cannot be read. What you entered is kept here.' }
  )
}

export const api = {
  get: <T>(path: string) => call<T>('GET', path),
  post: <T>(path: string, body: unknown = {}) => call<T>('POST', path, body),
  put: <T>(path: string, body: unknown) => call<T>('PUT', path, body),
  /** a file as it is */
  upload: <T>(path: string, file: Blob, type: string) => call<T>('POST', path, file, type)
}

/** What went wrong, as a sentence for the screen. */
export function sentenceOf(error: unknown): string {
  return error instanceof Error ? error.message : 'Something broke on this page.'
}
