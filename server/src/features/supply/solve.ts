// The best cover, by HiGHS; a good one where time runs out.
import { coverFrom, greedyCover, programmeOf, type Cover, type CoverCase } from '@peen/core/supply'
import { Worker } from 'node:worker_threads'

/** How long a solution is looked for, seconds; the screen waits for it. Chosen. */
const SECONDS = 4
/** Loading the solver takes a moment besides; whatever takes longer is given up. */
const LOADING_SECONDS = 6

type Answer = { readonly status: string; readonly columns: readonly (readonly [string, number])[] }

export type Solved = { readonly cover: Cover; readonly isProven: boolean }

/** The fewest visits that leave the fewest needs open. What was not proven to be that is not called so. */
export async function solveCover(given: CoverCase, seconds = SECONDS): Promise<Solved> {
  const { lp, needs, visits } = programmeOf(given)
  // nothing to decide
  if (needs.length === 0 || visits.length === 0) return { cover: coverFrom(given, () => 0), isProven: true }
  const greedy = greedyCover(given)
  const answer = await answerTo(lp, seconds).catch(() => null)
  if (!answer || answer.columns.length === 0) return { cover: greedy, isProven: answer?.status === 'Optimal' }
  const values = new Map(answer.columns)
  const cover = coverFrom(given, (column) => values.get(column) ?? 0)
  if (answer.status === 'Optimal') return { cover, isProven: true }
  return { cover: costOf(given, cover) <= costOf(given, greedy) ? cover : greedy, isProven: false }
}

/** Who does not get there weighs more than all that is left open. */
function costOf({ learners }: CoverCase, { unmet }: Cover): number {
  const open = unmet.reduce((sum, { count }) => sum + count, 0)
  const behind = learners.filter(({ id, canFinish }) => canFinish && unmet.some(({ learnerId }) => learnerId === id)).length
  return behind * 1e6 + open
}

function answerTo(lp: string, seconds: number): Promise<Answer> {
  return new Promise((resolve, reject) => {
    const worker = new Worker(new URL('./solve-worker.mjs', import.meta.url), { workerData: { lp, seconds } })
    const late = setTimeout(
      () => void worker.terminate().then(() => reject(new Error('The solver did not answer in time'))),
      (seconds + LOADING_SECONDS) * 1000
    )
    worker.once('message', (answer: Answer) => {
      clearTimeout(late)
      resolve(answer)
      void worker.terminate()
    })
    worker.once('error', (error) => {
      clearTimeout(late)
      reject(error)
    })
  })
}
