// npm run bench: what 200 apprentices still need of ten certificates, beside the chart's own exact chain for as many techniques.
import { certificates, techniques } from '@peen/content'
import { designLearningChart, signalWithin, type AttemptRecord, type State } from '@peen/core/competency'
import { randomFrom } from '@peen/core/stats'
import { beliefFrom, needsOf, together, type ChartNow } from '@peen/core/supply'

const APPRENTICES = 200
const ROUNDS = 5
const chart = designLearningChart()
const random = randomFrom(20261130)
const usualBelief = beliefFrom({ clean: 0, faulty: 0 }, 0.05)
const attempt = (clean: boolean): AttemptRecord => ({
  ...{ visitId: 'v', onDate: '2026-04-01', dogId: 'ash', dogName: 'Ash', coat: 'wire', clean, counts: true, minutes: 9, planMinutes: 9 },
  ...{ prompts: 0, help: 'alone', sides: 'both', because: '', safetyEvents: 0, seriousSafety: false }
})

// every apprentice has some 670 attempts, as the demo's most practised one has: half of the techniques, up to 34 times, well or badly
const people = Array.from({ length: APPRENTICES }, () => {
  const attempts = new Map(
    techniques.map(({ id }) => {
      const fails = random() * 0.4
      return [id, Array.from({ length: random() < 0.5 ? 0 : Math.floor(random() * 34) }, () => attempt(random() > fails))] as const
    })
  )
  const charts = new Map(
    techniques.map(({ id }): [string, ChartNow] => [
      id,
      { state: 'practising' as State, score: Math.floor(random() * chart.limit), signalOn: null }
    ])
  )
  return { today: '2026-04-14', attempts, charts, trims: [], dogs: [], chart, beliefs: new Map<string, never>(), usualBelief }
})
const ten = certificates.slice(0, 10)
const median = (values: readonly number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]
function timed(work: () => unknown): number {
  const start = performance.now()
  work()
  return performance.now() - start
}
const supply = () =>
  people.map((facts) =>
    together(
      ten.map(({ rules }) =>
        needsOf(
          rules,
          rules.map(() => false),
          facts
        )
      )
    )
  )
// the first round knows nothing yet; later ones have met most cases
const cold = timed(supply)
const warm = median(Array.from({ length: ROUNDS }, () => timed(supply)))
// the same chart's chain, once for each technique of each apprentice
const chains = APPRENTICES * techniques.length
const reference = median(
  Array.from({ length: ROUNDS }, () =>
    timed(() => {
      for (let i = 0; i < chains; i++) signalWithin(30, 0.05 + (i % 30) / 100, chart.k, chart.limit)
    })
  )
)
console.log(
  `supply of ${APPRENTICES} apprentices and ${ten.length} certificates: ${cold.toFixed(0)} ms the first time, ${warm.toFixed(0)} ms after`
)
console.log(`ratio to ${chains} exact chains of 30 tries (${reference.toFixed(0)} ms): ${(cold / reference).toFixed(2)}`)
