// Who was signed in on this tablet when the server was reached last: they go on without it for some hours.
import type { Me, SchoolView } from '@peen/contract'
import { dropReply, keepReply, recallReply, repliesUnder, writeReplies } from './replies'

export type KeptSignIn = {
  /** without the token of the sign-in: that comes from the server again */
  readonly me: Omit<Me, 'csrf'>
  readonly school: SchoolView
  /** how far this tablet's clock is behind the school's, ms */
  readonly aheadMs: number
}

/** So long a person goes on after the server has last said who they are, ms. */
export const GOES_ON_MS = 12 * 3600000
const NOW_IN = 'sign-in'
const ofPerson = (id: string) => `${NOW_IN}/${id}`

export async function keepSignIn(signIn: KeptSignIn, now: number): Promise<void> {
  const reply = JSON.parse(JSON.stringify(signIn)) as KeptSignIn
  keepReply({ key: ofPerson(signIn.me.id), person: '', at: now, reply })
  keepReply({ key: NOW_IN, person: '', at: now, reply: signIn.me.id })
  await writeReplies()
}

/** No one is in now; `forget`: one who may not come back here without the server either. */
export async function endSignIn(forget: string | null): Promise<void> {
  await dropReply(NOW_IN)
  if (forget !== null) await dropReply(ofPerson(forget))
}

/** Who was in; null where no one was, or too long ago. */
export async function recallSignIn(now: number): Promise<KeptSignIn | null> {
  const id = await recallReply(NOW_IN, now)
  return id && (await signInOf(id.reply as string, now))
}

/** One of those who were in here lately. */
export async function signInOf(id: string, now: number): Promise<KeptSignIn | null> {
  const kept = await recallReply(ofPerson(id), now)
  return kept && now - kept.at < GOES_ON_MS ? (kept.reply as KeptSignIn) : null
}

/** Everyone who was in here in the last hours, the latest first. */
export async function lately(now: number): Promise<readonly KeptSignIn[]> {
  const kept = await repliesUnder(`${NOW_IN}/`)
  return kept
    .filter(({ at }) => now - at < GOES_ON_MS)
    .sort((a, b) => b.at - a.at)
    .map(({ reply }) => reply as KeptSignIn)
}
