// Sends what one person tapped, in order, until nothing of it waits or the server gives no answer.
import type { EventAnswer } from '@peen/contract'
import type { PracticeEvent } from '@peen/core/practice'
import type { Kept, KeptTap } from './kept'
import { t } from '../words'

/** What a batch came to: answers event by event, one refusal of the whole, no answer, or no sign-in. */
export type Reply =
  | { readonly kind: 'answers'; readonly answers: readonly EventAnswer[] }
  | { readonly kind: 'refused'; readonly why: string }
  | { readonly kind: 'none'; readonly why: string }
  | { readonly kind: 'signedOut' }

export type Sending = {
  readonly kept: Kept
  /** whose taps are sent: those of others wait for their own sign-in */
  readonly by: string
  readonly post: (visitId: string, events: readonly PracticeEvent[]) => Promise<Reply>
  /** told after every answer */
  readonly answered: (answers: readonly EventAnswer[]) => void | Promise<void>
  /** told which taps the server has taken, before they are let go here */
  readonly taken?: (taps: readonly KeptTap[]) => Promise<void>
}

/** Taps sent at once: fewer than the server takes. */
const MOST_AT_ONCE = 50

/**
 * One visit after another. A refused tap is kept with the reason and holds nothing up; a batch that is refused as a whole
 * is sent again tap by tap, so that only what is really refused is held back. Resolves with why it stopped early, or null.
 */
export async function sendWaiting({ kept, by, post, answered, taken = async () => undefined }: Sending): Promise<string | null> {
  await holdPicked(kept, by)
  const oneByOne = new Set<string>()
  for (;;) {
    const waiting = (await kept.all()).filter((tap) => tap.by === by && tap.refused === null)
    const visitId = waiting[0]?.event.visitId
    if (visitId === undefined) return null
    const batch = waiting.filter(({ event }) => event.visitId === visitId).slice(0, oneByOne.has(visitId) ? 1 : MOST_AT_ONCE)
    const reply = await post(
      visitId,
      batch.map(({ event }) => event)
    )
    if (reply.kind === 'signedOut') return t('shell.signAgainYourTapsSaved')
    if (reply.kind === 'none') return reply.why
    if (reply.kind === 'refused' && batch.length > 1) {
      oneByOne.add(visitId)
      continue
    }
    const answers = reply.kind === 'answers' ? reply.answers : [refusalOf(batch[0]!, reply.why)]
    const told = answers.filter(({ id }) => batch.some((tap) => tap.id === id))
    // an answer that speaks of none of them settles nothing: asking at once again would go round for ever
    if (told.length === 0) return t('shell.peensAnswerDidNotSay')
    await taken(batch.filter(({ id }) => told.some((one) => one.id === id && !isRefused(one.status))))
    await keepAnswers(kept, told)
    await answered(told)
  }
}

/** What was tapped under a picked name waits until its person has looked: anyone may have picked it. */
const PICKED = t('shell.tappedUnderYourNameWithout')
async function holdPicked(kept: Kept, by: string): Promise<void> {
  for (const tap of await kept.all())
    if (tap.by === by && tap.refused === null && tap.event.away === 'picked' && !tap.isOwn) await kept.mark(tap.id, PICKED)
}

const refusalOf = ({ id }: KeptTap, detail: string): EventAnswer => ({ id, status: 'refused', detail })

async function keepAnswers(kept: Kept, answers: readonly EventAnswer[]): Promise<void> {
  await kept.drop(answers.filter(({ status }) => !isRefused(status)).map(({ id }) => id))
  for (const { id, status, detail } of answers) if (isRefused(status)) await kept.mark(id, detail || t('shell.noReasonGiven'))
}

export const isRefused = (status: EventAnswer['status']) => status === 'refused' || status === 'conflict'
