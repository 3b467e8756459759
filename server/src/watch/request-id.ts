// The id of the request that something was done for: the log says it with each line, the answer with each fault.
import { AsyncLocalStorage } from 'node:async_hooks'

const asked = new AsyncLocalStorage<string>()

export const withRequestId = (id: string, work: () => void): void => asked.run(id, work)

/** The id of the request under way; undefined outside of one. */
export const requestId = (): string | undefined => asked.getStore()
