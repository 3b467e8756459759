// What a chart shows that nobody would see in a table of attempts: no further on, fallen back, beginning to slip.
import type { HelpLevel } from '../terms'
import { wilson } from '../stats'
import { sayDay } from '../units'
import type { ChartHistory } from './chart'
import { HELP_WEIGHT } from './help'
import { trendOf } from './trend'

export type ChartPattern = { readonly kind: 'plateau' | 'relapse' | 'slipping'; readonly sinceOn: string; readonly say: string }

export type Tried = { readonly onDate: string; readonly clean: boolean; readonly help: HelpLevel }

/** Chosen: a dozen attempts without a better score are three to six weeks of practice. */
const PLATEAU_ATTEMPTS = 12
/** A fall from half of the limit or more to a quarter or less is a relapse, when more than one miss has done it. Chosen. */
const RELAPSE = Object.freeze({ from01: 0.5, to01: 0.25, misses: 2 })
/** The monitoring chart is told of from half of its limit on. Chosen. */
const SLIPPING_FROM01 = 0.5

/**
 * Plateau: at least a dozen attempts since the best score, too many of them not clean for somebody competent, beyond
 * chance, help not falling, and no surer than before. Relapse: fallen
 * from half of the limit to a quarter, and not come up again. Slipping: the monitoring chart past half of its limit.
 * @param tried counted attempts, oldest first, as many as the chart has
 */
export function findingsOn(
  tried: readonly Tried[],
  history: ChartHistory,
  limits: { readonly learning: number; readonly watch: number; readonly acceptable: number }
): ChartPattern | null {
  const { mode, scores, watched } = history
  if (mode === 'competent') {
    const score = watched.at(-1) ?? 0
    if (score < SLIPPING_FROM01 * limits.watch) return null
    const since = watched.lastIndexOf(0) + 1
    const missed = tried.slice(since).filter(({ clean }) => !clean).length
    const say = `Starting to slip: ${missed} of the last ${tried.length - since} not clean since ${sayDay(tried[since]!.onDate)}. The alarm is at ${limits.watch} points; this is ${score}.`
    return { kind: 'slipping', sinceOn: tried[since]!.onDate, say }
  }
  const from = mode === 'slipping' ? (history.alarmAt ?? -1) + 1 : 0
  const own = scores.slice(from)
  if (own.length === 0) return null
  const best = Math.max(...own)
  const bestAt = from + own.lastIndexOf(best)
  const now = own.at(-1)!
  const misses = tried.slice(bestAt + 1).filter(({ clean }) => !clean).length
  if (best >= RELAPSE.from01 * limits.learning && now <= RELAPSE.to01 * limits.learning && misses >= RELAPSE.misses) {
    const missAt = tried.findIndex(({ clean }, i) => i > bestAt && !clean)
    const on = tried[missAt]!.onDate
    return { kind: 'relapse', sinceOn: on, say: `Has fallen back from ${best} to ${now} of ${limits.learning} points since ${sayDay(on)}.` }
  }
  const after = tried.slice(from + own.indexOf(best) + 1)
  if (after.length < PLATEAU_ATTEMPTS) return null
  const cleanNow = wilson(after.filter(({ clean }) => clean).length, after.length)
  if (cleanNow.interval[1] >= 1 - limits.acceptable) return null
  const helps = after.map(({ help }) => HELP_WEIGHT[help])
  if (trendOf(helps).way === 'falls' || isSurer(tried.slice(from), after.length)) return null
  const sinceOn = after[0]!.onDate
  const say = `Stuck for ${after.length} attempts: the best was ${best} of ${limits.learning} points, before ${sayDay(sinceOn)}, and they need as much help as before.`
  return { kind: 'plateau', sinceOn, say }
}

/** Are the latest attempts clean more often than those before, beyond chance? */
function isSurer(tried: readonly Tried[], latest: number): boolean {
  const [before, after] = [tried.slice(0, -latest), tried.slice(-latest)]
  const rate = (some: readonly Tried[]) => wilson(some.filter(({ clean }) => clean).length, some.length)
  return before.length > 0 && rate(after).interval[0] > rate(before).value
}
