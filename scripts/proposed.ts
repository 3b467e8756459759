// How far proposed points lie from where drawn dogs have them, against how surely Peen says they lie there.
//   npm run proposed                  120 dogs, from a seed that nothing was tuned on; eyes and nose on 30 photographs
//   npm run proposed -- 40 10 [seed]  as many
// Writes docs/robustness-proposed.md.
import { bodyById, coats, colouringOf } from '@peen/content'
import { PLACES, PROPOSED_U_MM, type PhotoPlace } from '@peen/core/measure'
import { wilson } from '@peen/core/stats'
import { proposedOf, trialDog, trialTrims, type ProposedRow } from '@peen/devices/trial'
import { writeFileSync } from 'node:fs'

const [n = 120, photographs = 30, seed = 92000] = process.argv.slice(2).map(Number)
const trims = trialTrims(coats, bodyById)
const colours = ['white', 'apricot', 'wheaten', 'cream', 'black'].map(colouringOf)
/** Put on dark spots of the picture: nothing without one. */
const SPOTS: readonly PhotoPlace[] = ['eyeLeft', 'eyeRight', 'nose']
/** A fault in a skirt moves what is taken for its ends on the true dog as well: nothing to hold a proposal against. */
const UNTOLD: readonly PhotoPlace[] = ['elbow', 'tuckUp']

const rows: ProposedRow[] = []
let [refused, heads] = [0, 0]
const dogs = (count: number, from: number, withPicture: boolean, isKept: (place: PhotoPlace) => boolean) => {
  for (let k = 0; k < count; k++) {
    const dog = trialDog(from + k, trims, colours)
    if (withPicture && dog.seen !== 'head') continue
    if (withPicture) heads++
    try {
      rows.push(...proposedOf(dog, from + k, withPicture).filter(({ place }) => isKept(place)))
    } catch {
      refused++
    }
  }
}
dogs(n, seed, false, (place) => !SPOTS.includes(place) && !UNTOLD.includes(place))
dogs(photographs * 2, seed + 5000, true, (place) => SPOTS.includes(place))

const percent = (value: number) => `${(100 * value).toFixed(0)} %`
const rms = (values: readonly number[]) => Math.sqrt(values.reduce((sum, value) => sum + value * value, 0) / values.length)
const places = [...new Set(rows.map(({ place }) => place))]
let [inside, all] = [0, 0]
const lines = places.map((place) => {
  const offs = rows.filter((row) => row.place === place).map(({ off }) => off)
  const both = offs.flatMap(([x, y]) => [x, y])
  const u = PROPOSED_U_MM[place]
  const within = both.filter((value) => Math.abs(value) <= 1.96 * u).length
  ;[inside, all] = [inside + within, all + both.length]
  return `| ${PLACES[place].name} | ${offs.length} | ${rms(offs.map(([x]) => x)).toFixed(1)} | ${rms(offs.map(([, y]) => y)).toFixed(1)} | ${u} | ${percent(within / both.length)} |`
})
const [low, high] = wilson(inside, all).interval
const text = `# How surely a proposed point lies where it belongs

Dogs whose body, coat, pose and camera differ from their plan, drawn from ranges that the measuring code is not given; points are proposed from
the true outline (eyes and nose from ${heads} photographs of heads), and held against where the same dog has them. Across and down, root mean square;
u is what Peen says of a point that was agreed to and not moved. A point that a hand has put is known to 0.4 mm. Seed ${seed}; repeat with
\`npm run proposed\`.

${n} dogs, ${refused} taken for something else. Of all coordinates ${percent(inside / all)} lie within 1.96 u (95 % interval of that share: ${percent(low)} to ${percent(high)}).

| point | dogs | across, mm | down, mm | u, mm | within 1.96 u |
|---|---|---|---|---|---|
${lines.join('\n')}

Where a skirt begins and ends is not among them: a fault in it moves what is taken for its ends on the true dog as well.
`
writeFileSync('docs/robustness-proposed.md', text)
console.log(text)
