import { CoreError } from '../../error'
import { quantile, randomFrom, type Random } from '../../stats'

/** What a measure comes to when everything it is taken from is drawn together, again and again. */
export type Simulated = {
  readonly method: 'joint Monte Carlo'
  readonly value: number
  /** mean of the draws */
  readonly mean: number
  /** standard uncertainty, in the measure's own unit */
  readonly u: number
  /** shortest of what holds 95 %, by quantiles: half left out on either side */
  readonly interval: readonly [number, number]
  readonly n: number
}

const LEAST_DRAWS = 100
const USUAL_DRAWS = 2000

/**
 * Draws every input of several measures together `n` times and says what each measure comes to. Measures that share a
 * scale, a landmark or an edge are drawn with it: their common errors stay common.
 * @param measure one draw: takes the chance, draws its inputs, returns every measure by name; a draw that cannot be
 * measured (points that fall on a line) returns null and is counted out
 * @param best the measures at the inputs as they were read: the values that are told
 * @throws CoreError `tooFew` under 100 draws or where under half of them can be measured
 * Source: JCGM 101:2008; seeded, so that a picture is always told alike.
 */
export function simulate<K extends string>(
  best: Readonly<Record<K, number>>,
  measure: (random: Random) => Readonly<Record<K, number>> | null,
  { seed, n = USUAL_DRAWS }: { readonly seed: number; readonly n?: number }
): Readonly<Record<K, Simulated>> {
  if (n < LEAST_DRAWS) throw new CoreError({ code: 'tooFew', path: 'n', got: n, limit: `${LEAST_DRAWS} draws or more` })
  const random = randomFrom(seed)
  const draws: Readonly<Record<K, number>>[] = []
  for (let i = 0; i < n; i++) {
    const draw = measure(random)
    if (draw) draws.push(draw)
  }
  if (draws.length * 2 < n)
    throw new CoreError({
      code: 'tooFew',
      path: 'measure',
      got: `${draws.length} of ${n} draws`,
      limit: 'half of them or more that can be measured'
    })
  const told = (name: K): Simulated => {
    const values = draws.map((draw) => draw[name])
    const mean = values.reduce((sum, value) => sum + value, 0) / values.length
    const u = Math.sqrt(values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (values.length - 1))
    return {
      method: 'joint Monte Carlo',
      value: best[name],
      mean,
      u,
      interval: [quantile(values, 0.025), quantile(values, 0.975)],
      n: values.length
    }
  }
  return Object.fromEntries((Object.keys(best) as K[]).map((name) => [name, told(name)])) as Record<K, Simulated>
}
