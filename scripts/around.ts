// Drawn dogs measured from the front, from behind and from above, against their own true millimetres.
//   npm run around                   60 dogs a view by their outline, 12 by a photograph, from a seed that nothing was tuned on
//   npm run around -- 20 4 [seed]    as many
// Writes docs/robustness-around.md.
import { bodyById, coats, colouringOf } from '@peen/content'
import { measureSpec, PLACES, PROPOSED_U_MM, type MeasureId } from '@peen/core/measure'
import { wilson } from '@peen/core/stats'
import {
  AROUND,
  aroundDog,
  aroundProposed,
  runAround,
  summarise,
  type AroundTrim,
  type ProposedRow,
  type TrialRow
} from '@peen/devices/trial'
import { writeFileSync } from 'node:fs'

const [n = 60, photographs = 12, seed = 95000] = process.argv.slice(2).map(Number)
const TRIMS = ['bracelets', 'bearded-pet', 'clean-face', 'smile', 'jacket-show', 'teddy', 'spaniel-legs', 'carded-sporting', 'companion']
const trims = TRIMS.map((id): AroundTrim => {
  const coat = coats.find((own) => own.id === id)!
  return { id, coat, body: bodyById(coat.body) }
})
const colours = ['white', 'apricot', 'wheaten', 'cream'].map(colouringOf)
const percent = (value: number) => `${(100 * value).toFixed(0)} %`
const K = 1.96
const isWithin = ({ value, truth, u }: TrialRow) => Math.abs(value - truth) <= K * u
const rms = (values: readonly number[]) => Math.sqrt(values.reduce((sum, value) => sum + value * value, 0) / values.length)

const [shown, seen, proposed]: [TrialRow[], TrialRow[], ProposedRow[]] = [[], [], []]
const refused = { outline: 0, picture: 0, somethingElse: 0 }
for (const view of AROUND) {
  for (let k = 0; k < n; k++) {
    const dog = aroundDog(seed + k, view, trims, colours)
    const result = runAround(dog, seed + k, true)
    if (result.refused) refused.outline++
    shown.push(...result.rows)
    try {
      proposed.push(...aroundProposed(dog, seed + k))
    } catch {
      refused.somethingElse++
    }
  }
  for (let k = 0; k < photographs; k++) {
    try {
      const result = runAround(aroundDog(seed + 5000 + k, view, trims, colours), seed + k)
      // an outline that is no whole dog says nothing until it is put right by hand
      if (result.refused || result.unfit) refused.picture++
      else seen.push(...result.rows)
    } catch {
      refused.picture++
    }
  }
}

const lineOf = (rows: readonly TrialRow[]) =>
  summarise(rows).map(({ measure, n: own, bias, spread, medianU, covered }) => {
    const { name, unit, view } = measureSpec(measure as MeasureId)
    return `| ${view} | ${name} | ${own} | ${bias.toFixed(1)} | ${spread.toFixed(1)} | ${medianU.toFixed(1)} ${unit} | ${percent(covered)} |`
  })
const shareOf = (rows: readonly TrialRow[]) => {
  const inside = rows.filter(isWithin).length
  const [low, high] = wilson(inside, rows.length).interval
  return `${percent(inside / rows.length)} of ${rows.length} values lie within 1.96 u (95 % interval of that share: ${percent(low)} to ${percent(high)})`
}
const HEAD = '| view | measure | values | bias | spread | u, middle | within 1.96 u |\n|---|---|---|---|---|---|---|'
const places = [...new Set(proposed.map(({ place }) => place))]
const offs = places.map((place) => {
  const own = proposed.filter((row) => row.place === place).map(({ off }) => off)
  const u = PROPOSED_U_MM[place]
  const within = own.flat().filter((value) => Math.abs(value) <= K * u).length
  return `| ${PLACES[place].name} | ${own.length} | ${rms(own.map(([x]) => x)).toFixed(1)} | ${rms(own.map(([, y]) => y)).toFixed(1)} | ${u} | ${percent(within / (2 * own.length))} |`
})
const text = `# How far a dog is measured rightly from the front, from behind and from above

Dogs whose body, coat, faults, camera and light differ from their plan, drawn from ranges that the measuring code is not given; they stand with
their legs apart, as the guide asks. A hand puts each place to 0.4 mm and finds the spine to 1.5 mm; the camera is level to 3.5 degrees, the dog
square to 3.3, the scale's depth known to 6 mm. Seed ${seed}; repeat with \`npm run around\`.

## By their true outline

${n} dogs a view, ${refused.outline} refused. ${shareOf(shown)}.

${HEAD}
${lineOf(shown).join('\n')}

## By a photograph of two megapixels

${photographs} photographs a view before a plain wall; of ${3 * photographs}, ${refused.picture} gave no outline of one whole dog, or one that differs from the plan
and is asked about (most before a wall of the table's hue). Of the others ${shareOf(seen)}.

${HEAD}
${lineOf(seen).join('\n')}

## Points that are proposed

From the true outline; ${refused.somethingElse} of ${3 * n} outlines were taken for something else. The middle of the dog is never proposed.

| point | dogs | across, mm | down, mm | u, mm | within 1.96 u |
|---|---|---|---|---|---|
${offs.join('\n')}

Flanks are compared from above only roughly: the spine lies well above the ribs' widest, and a camera that is a degree off the plumb moves it
aside. So no criterion is answered by it; the gauge does that.
`
writeFileSync('docs/robustness-around.md', text)
console.log(text)
