/** One piece of work after the other: each begins from what the one before it left. */
export function oneAfterTheOther() {
  let pending = 0
  let last: Promise<unknown> = Promise.resolve()
  function inTurn<T>(work: () => Promise<T>): Promise<T> {
    pending++
    const done = last.then(work).finally(() => pending--)
    last = done.catch(() => undefined)
    return done
  }
  return { inTurn, isWorking: () => pending > 0 }
}
