import type { Replies } from '@peen/contract'

/** The replies that are JSON and say something: from this type their schemas are made. */
export type JsonReplies = { [N in keyof Replies as [Replies[N]] extends [void] ? never : N]: Replies[N] }
