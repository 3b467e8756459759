// A second opinion on an outline, from a process of its own that is started when it is first asked and ends when it rests.
import type { PhotoPoint } from '@peen/core/measure'
import { fork, type ChildProcess } from 'node:child_process'
import { fileURLToPath } from 'node:url'
import type { Answered, Asked } from './child'

/** It has answered by then, or is taken for gone, ms: loading takes a second or two, looking one. Chosen for a slow machine. */
const WAIT_MS = 45_000
/** It is kept so long after its last answer, ms. */
const RESTS_MS = 120_000
/** More than a room of tablets asks for in a moment. */
const MOST_WAITING = 8

let child: ChildProcess | null = null
let rest: NodeJS.Timeout | undefined
let last: Promise<unknown> = Promise.resolve()
let waiting = 0
let count = 0

/** The finder did not answer: it could not start, ended on the way, or is asked too much. */
export class FinderAway extends Error {}

/**
 * The outline of what stands in a picture where a shape is expected, px of that picture; null where nothing of it stands out.
 * One picture is looked at a time.
 * @throws FinderAway
 */
export async function findByShape(bytes: Uint8Array, ring: readonly PhotoPoint[]): Promise<readonly PhotoPoint[] | null> {
  if (waiting >= MOST_WAITING) throw new FinderAway('too many pictures are waiting')
  waiting++
  const asked = last.then(() => ask(bytes, ring))
  last = asked.catch(() => undefined)
  return asked.finally(() => waiting--)
}

/** Ends the process at once; the next question starts another. */
export function stopFinder(): void {
  clearTimeout(rest)
  child?.kill('SIGKILL')
  child = null
}

function started(): ChildProcess {
  if (child?.connected) return child
  const file = fileURLToPath(new URL('./child.ts', import.meta.url))
  // nothing of the server's keys and passwords is its business
  const env = { PATH: process.env.PATH, NODE_ENV: process.env.NODE_ENV }
  child = fork(file, [], { serialization: 'advanced', execArgv: ['--import', 'tsx'], env, stdio: ['ignore', 'ignore', 'ignore', 'ipc'] })
  child.unref()
  child.channel?.unref()
  return child
}

async function ask(bytes: Uint8Array, ring: readonly PhotoPoint[]): Promise<readonly PhotoPoint[] | null> {
  clearTimeout(rest)
  const own = started()
  const id = ++count
  try {
    return await answerOf(own, { id, bytes, ring })
  } catch (error) {
    stopFinder()
    throw error
  } finally {
    rest = setTimeout(stopFinder, RESTS_MS)
    rest.unref()
  }
}

function answerOf(own: ChildProcess, asked: Asked): Promise<readonly PhotoPoint[] | null> {
  return new Promise((resolve, reject) => {
    const timer = setTimeout(() => gone(), WAIT_MS)
    const gone = () => over(() => reject(new FinderAway('the finder did not answer')))
    const heard = ({ id, ring }: Answered) => id === asked.id && over(() => resolve(ring))
    function over(tell: () => void): void {
      clearTimeout(timer)
      own
        .off('message', heard as never)
        .off('exit', gone)
        .off('error', gone)
      tell()
    }
    own
      .on('message', heard as never)
      .on('exit', gone)
      .on('error', gone)
    own.send(asked, (error) => error && gone())
  })
}
