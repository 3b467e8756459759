// npm run bench: a year of daily states of a whole stripped dog, both sides, beside d3-array working out the same numbers of the same layers.
import {
  coatModel,
  COAT_RULES,
  dailyStates,
  dateOf,
  dayOf,
  outcomeOf,
  stateAt,
  WHAT_IFS,
  type CoatEntry,
  type CoatPlace
} from '@peen/core/coat'
import { planBack } from '@peen/core/plan'
import { cumsum, sort } from 'd3-array'

const ROUNDS = 15
const DAYS = 365
const TODAY = '2026-04-14'
const median = (values: readonly number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]
function timed(work: () => unknown): number {
  const times: number[] = []
  for (let round = 0; round < ROUNDS; round++) {
    const start = performance.now()
    work()
    times.push(performance.now() - start)
  }
  return median(times)
}

// every place of the dog, rolled every two weeks for a year, the left of half of them a week late once
const model = coatModel({ entries: [], dog: { bornOn: '2020-01-01', today: TODAY }, isWire: true, sproutDays: 28, rules: COAT_RULES })
const places = [...model.places.keys()]
const entries: CoatEntry[] = places.flatMap((place: CoatPlace, p) =>
  Array.from({ length: 26 }, (_, k): CoatEntry[] => {
    const on = dateOf(dayOf(TODAY) - 14 * (26 - k))
    const act = { kind: 'pulled', how: k === 0 ? 'all' : 'lightRoll' } as const
    const late = p % 2 === 0 && k === 10
    return late
      ? [
          { id: `${p} ${k} r`, on, place, side: 'right', act, hands: null },
          { id: `${p} ${k} l`, on: dateOf(dayOf(on) + 7), place, side: 'left', act, hands: null }
        ]
      : [{ id: `${p} ${k}`, on, place, side: 'both', act, hands: null }]
  }).flat()
)
const given = { entries, dog: { bornOn: '2020-01-01', today: TODAY }, isWire: true, sproutDays: 28, rules: COAT_RULES }
const dog = coatModel(given)
const from = dayOf(TODAY) - DAYS
const patches = [...dog.places.values()].flatMap(({ place, sides }) => [...sides.keys()].map((side) => [place, side] as const))

const ours = timed(() => dailyStates(dog, from, DAYS))
/** the length that nine tenths of the hair do not exceed, by sorting and summing up each day's layers */
const reference = timed(() => {
  let sum = 0
  for (const [place, side] of patches)
    for (let day = from; day < from + DAYS; day++) {
      const layers = sort(stateAt(dog, place, side, day).layers, ({ mm }) => mm)
      const upTo = cumsum(layers, ({ share01 }) => share01)
      sum += layers[upTo.findIndex((share) => share >= 0.9 - 1e-9)].mm
    }
  return sum
})
const building = timed(() => coatModel(given))
const rhythm = { nextDay: dayOf(TODAY) + 7, everyDays: 14, aimDay: dayOf(TODAY) + 46 }
const ahead = timed(() => WHAT_IFS.map((id) => outcomeOf(dog, rhythm, id)))

console.log(`\nA coat over time: ${dog.places.size} places, ${patches.length} sides, ${entries.length} lines in the book`)
console.log(`a year of daily states, both sides, with lag   ${ours.toFixed(1)} ms (limit 50 ms)`)
console.log(
  `the same by sorting and summing (d3-array)      ${reference.toFixed(1)} ms: ours takes ${(ours / reference).toFixed(2)} x (limit 1 x)`
)
console.log(`the model from its book                         ${building.toFixed(1)} ms`)
console.log(`seven what-ifs to the day that counts           ${ahead.toFixed(1)} ms`)
// back from a date four months ahead, every place wanted at 20 mm
const wanted = places.map((place) => ({ place, mm: 20, minutes: 4 }))
const planned = timed(() => planBack({ model: dog, aimDay: dayOf(TODAY) + 120, wanted, canStandMin: 70 }))
console.log(`back from a date, ${wanted.length} places               ${planned.toFixed(1)} ms (limit 100 ms)`)
if (ours / reference > 1 || planned > 100) process.exitCode = 1
