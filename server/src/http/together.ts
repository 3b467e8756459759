// Who asks the same at the same time is answered together. A tap is news to every tablet of the room, and all of them ask for the
// floor in the same moment: it is worked out once for all.

type Lane<T> = { readonly running: Promise<T>; next: Promise<T> | null }

/**
 * A function that runs one piece of work at a time for each key. Who comes while it runs waits for the next run, which
 * serves all who came meanwhile: a run begins only after everyone it serves has asked, so each sees what they wrote before.
 * A run that fails fails for all who waited for it.
 */
export function makeTogether<T>(): (key: string, work: () => Promise<T>) => Promise<T> {
  const lanes = new Map<string, Lane<T>>()
  const begin = (key: string, work: () => Promise<T>): Promise<T> => {
    const lane: Lane<T> = { running: work(), next: null }
    lanes.set(key, lane)
    const over = () => {
      if (lane.next === null) lanes.delete(key)
    }
    lane.running.then(over, over)
    return lane.running
  }
  return (key, work) => {
    const lane = lanes.get(key)
    if (!lane) return begin(key, work)
    const go = () => begin(key, work)
    lane.next ??= lane.running.then(go, go)
    return lane.next
  }
}
