// What the server writes down for the person who runs it: never a value that was typed.
import { join } from 'node:path'
import pino, { type Logger, type TransportTargetOptions } from 'pino'
import { requestId } from './watch/request-id'

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

/** A file of the log is closed at the end of its day, or when it is so large; so many are kept. */
const FILE = { frequency: 'daily', dateFormat: 'yyyy-MM-dd', size: '20m', limit: { count: 14 }, mkdir: true }

/**
 * The server's log: what is at least of `level` to the terminal, and where a folder is given every request too, into a file a day.
 * Each line that was written for a request carries its id.
 */
export function makeLog(level: string, folder?: string): Logger {
  const options = { serializers: { err: tellError }, mixin: () => ({ ...(requestId() ? { request: requestId() } : {}) }) }
  if (!folder) return pino({ ...options, level })
  const file: TransportTargetOptions = {
    target: 'pino-roll',
    level: 'info',
    options: { ...FILE, file: join(folder, 'peen'), extension: '.log' }
  }
  const terminal: TransportTargetOptions = { target: 'pino/file', level, options: { destination: 1 } }
  return pino({ ...options, level: 'info' }, pino.transport({ targets: level === 'silent' ? [file] : [terminal, file] }))
}
