// What the server writes down for the person who runs it: never a value that was typed.
import pino, { type Logger } from 'pino'

type Told = { readonly type: string; readonly message: string; readonly code?: string; readonly query?: string; readonly stack: string }

/** An error without the values of its query: what was asked, and how the database called it. */
export function tellError(error: unknown): Told | unknown {
  if (!(error instanceof Error)) return error
  const { query, cause } = error as Error & { readonly query?: string }
  const code = codeOf(error) ?? codeOf(cause)
  // the first line of a stack repeats the message
  const stack = (error.stack ?? '')
    .split('\n')
    .filter((line) => /^\s+at /.test(line))
    .join('\n')
  const message = query === undefined ? error.message : `a query failed${code ? ` (${code})` : ''}`
  return { type: error.name, message, stack, ...(code ? { code } : {}), ...(query === undefined ? {} : { query }) }
}

const codeOf = (error: unknown): string | undefined => {
  const code = (error as { readonly code?: unknown } | undefined)?.code
  return typeof code === 'string' ? code : undefined
}

/** The server's log. */
export const makeLog = (level: string): Logger => pino({ level, serializers: { err: tellError } })
