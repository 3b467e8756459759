// A school that was brought back from a backup hears again what this tablet did since: changes first, in their order, then taps.
import type { Kept } from './kept'
import type { Done, DoneHere } from './done'
import type { Repeatable } from './repeatable'

export type Restored = { readonly id: string; readonly madeAt: string }
/** `refused`: changes that the school does not take again, with its sentence. */
export type BroughtBack = { readonly changes: number; readonly taps: number; readonly refused: readonly string[] }

type Bringing = {
  readonly done: DoneHere
  readonly kept: Kept
  readonly by: string
  readonly restored: Restored
  /** makes a change again: null, or why it is refused; rejects without an answer */
  readonly repeat: (name: Repeatable, given: object) => Promise<string | null>
}

/**
 * Brings one person's part of the morning back. A change from before the backup is in it; a tap the server has already is taken
 * once. Rejects where the server gives no answer: what is left comes the next time.
 */
export async function bringBack({ done, kept, by, restored, repeat }: Bringing): Promise<BroughtBack> {
  const lacking = await done.lacking(by, restored.id)
  const since = Date.parse(restored.madeAt)
  const refused: string[] = []
  let changes = 0
  for (const { id, at, what } of lacking) {
    if (what.kind !== 'change') continue
    if (at >= since) {
      const why = await repeat(what.name, what.given)
      if (why === null) changes++
      else refused.push(why)
    }
    await done.settle([id], restored.id)
  }
  const taps = lacking.flatMap((one) => tapOf(one))
  for (const tap of taps) await kept.add({ ...tap, refused: null, isOwn: true, isBack: true })
  await done.settle(
    taps.map(({ id }) => id),
    restored.id
  )
  return { changes, taps: taps.length, refused }
}

const tapOf = ({ what }: Done) => (what.kind === 'tap' ? [what.tap] : [])
