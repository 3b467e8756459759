// Who was signed in on this tablet when the server was reached last: they go on without it for some hours.
import type { Me, SchoolView } from '@peen/contract'
import { keepReply, recallReply, writeReplies } from './replies'

export type KeptSignIn = {
  /** without the token of the sign-in: that comes from the server again */
  readonly me: Omit<Me, 'csrf'>
  readonly school: SchoolView
  /** how far this tablet's clock is behind the school's, ms */
  readonly aheadMs: number
}

/** So long a person goes on after the server has last said who they are, ms. */
export const GOES_ON_MS = 12 * 3600000
const KEY = 'sign-in'

export async function keepSignIn(signIn: KeptSignIn | null, now: number): Promise<void> {
  keepReply({ key: KEY, person: '', at: now, reply: signIn && (JSON.parse(JSON.stringify(signIn)) as KeptSignIn) })
  await writeReplies()
}

/** Null where nobody was, or too long ago. */
export async function recallSignIn(now: number): Promise<KeptSignIn | null> {
  const kept = await recallReply(KEY, now)
  return kept && now - kept.at < GOES_ON_MS ? (kept.reply as KeptSignIn | null) : null
}
