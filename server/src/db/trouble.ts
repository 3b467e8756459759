// What may befall a database while people work: it is gone for a moment, its disk is full, its disk takes nothing.

/** Codes of mysql2 and of the network where no answer comes at all. */
const AWAY: ReadonlySet<string> = new Set([
  ...['ECONNREFUSED', 'ECONNRESET', 'ETIMEDOUT', 'EPIPE', 'ENOENT', 'PROTOCOL_CONNECTION_LOST', 'PROTOCOL_ENQUEUE_AFTER_FATAL_ERROR'],
  // of several nodes: none answers
  ...['POOL_NONEONLINE', 'POOL_NOEXIST'],
  ...['ER_SERVER_SHUTDOWN', 'ER_CON_COUNT_ERROR', 'ER_CONNECTION_KILLED', 'ER_NORMAL_SHUTDOWN', 'ER_ABORTING_CONNECTION']
])
/** A node that has lost the others, or is not up to date yet, takes nothing (1047). */
const CUT_OFF = 1047
/** MariaDB's numbers: disk full (1021), table full (1114), no space in a temporary file (3, with the system's 28). */
const FULL: ReadonlySet<number> = new Set([1021, 1114])
/** Read only: the server (1290), a table (1036), the whole of InnoDB (1874). */
const READ_ONLY: ReadonlySet<number> = new Set([1290, 1036, 1874])

/** What is wrong with the database, if an error tells that; null for an error of another kind. */
export function troubleOf(error: unknown): 'away' | 'full' | 'readOnly' | null {
  const { code, errno, message } = cause(error)
  if ((code !== undefined && AWAY.has(code)) || errno === CUT_OFF) return 'away'
  if (errno !== undefined && FULL.has(errno)) return 'full'
  if (message !== undefined && /No space left on device|Errcode: 28/.test(message)) return 'full'
  if (errno !== undefined && READ_ONLY.has(errno)) return 'readOnly'
  return null
}

type Told = { readonly code?: string; readonly errno?: number; readonly message?: string }
/** The driver's own error inside Drizzle's wrapping. */
const cause = (error: unknown): Told => ((error as { cause?: Told })?.cause ?? (error as Told | null) ?? {}) as Told
