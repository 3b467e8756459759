// What an outline is asked about before it is called found: drawn dogs, rightly found and spoilt.
//   npm run asked                  120 dogs, from a seed that nothing was tuned on
//   npm run asked -- 40 [seed]     as many
// Writes docs/robustness-asked.md.
import { bodyById, coats, colouringOf } from '@peen/content'
import { wilson } from '@peen/core/stats'
import { askedOf, SPOILT, trialDog, trialTrims, type AskedRow } from '@peen/devices/trial'
import { writeFileSync } from 'node:fs'

const [n = 120, seed = 71000] = process.argv.slice(2).map(Number)
const trims = trialTrims(coats, bodyById)
const colours = ['white'].map(colouringOf)
const rows: { readonly view: string; readonly row: AskedRow }[] = []
for (let k = 0; k < n; k++) {
  const dog = trialDog(seed + k, trims, colours)
  for (const row of askedOf(dog)) rows.push({ view: dog.seen === 'head' ? 'head' : 'profile', row })
  if ((k + 1) % 20 === 0) console.log(`${k + 1} of ${n}`)
}
const SAYS = {
  right: 'rightly found',
  window: 'a window’s corner taken for dog',
  shelf: 'a shelf taken for dog',
  lost: 'a hind leg, or part of the neck, lost',
  half: 'the front end lost'
}
const percent = (value: number) => `${(100 * value).toFixed(0)} %`
const lines = ['profile', 'head'].flatMap((view) =>
  SPOILT.map((spoilt) => {
    const own = rows.filter((one) => one.view === view && one.row.spoilt === spoilt).map(({ row }) => row)
    const count = (told: AskedRow['told']) => own.filter((row) => row.told === told).length
    const [low, high] = wilson(count('sure'), own.length).interval
    return `| ${view} | ${SAYS[spoilt]} | ${own.length} | ${count('asked')} | ${count('refused')} | ${count('sure')} | ${percent(low)} to ${percent(high)} |`
  })
)
const text = `# What an outline is asked about

${n} drawn dogs from seed ${seed}, whose body, coat, faults, pose, camera and ruler come from ranges that the measuring code is not given; each outline as the
pinhole sees it, and spoilt in four ways by boxes laid over it. An outline is held against the planned dog before it is called found
(\`core/src/measure/photo/expected.ts\`). Sure means that nothing is asked: right in the first line of each view, wrong in all others. Repeat with \`npm run asked\`.

| view | outline | dogs | asked about | told to be no dog | sure | sure, Wilson 95 % |
|---|---|---|---|---|---|---|
${lines.join('\n')}
`
writeFileSync('docs/robustness-asked.md', text)
console.log(text)
