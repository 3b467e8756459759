// npm run verdicts: trims whose truth is known, marked by honest, ordinary, severe and lenient assessors; writes docs/verdicts.md.
import { standards } from '@peen/content'
import { GRADE_RULES, trialOfMarks, type TrialFound } from '@peen/core/grade'
import { writeFileSync } from 'node:fs'

const TRIMS = Number(process.argv[2] ?? 500)
const SEED = 20261128
const ASSESSORS = [
  { name: 'honest: levels as the school means them', lean: { levels: 0 } },
  { name: `ordinary: leans by chance, sd ${GRADE_RULES.severityLevels} level`, lean: { spread: GRADE_RULES.severityLevels } },
  { name: 'severe: 0.4 of a level under the school', lean: { levels: -0.4 } },
  { name: 'lenient: 0.4 of a level over the school', lean: { levels: 0.4 } }
] as const

const percent = (share: number) => `${(100 * share).toFixed(1)} %`
const row = (name: string, found: TrialFound) =>
  `| ${name} | ${percent(found.coverage01)} | ${found.medianWidth.toFixed(1)} | ${percent(found.markAbove01)} | ${percent(found.wrongPasses01)} of ${found.trims - found.truePasses} | ${percent(found.wrongFails01)} of ${found.truePasses} | ${percent(found.secondAsked01)} |`

const rows = ASSESSORS.map(({ name, lean }) => {
  const line = row(name, trialOfMarks({ standard: standards[0], trims: TRIMS, seed: SEED, lean }))
  console.log(line)
  return line
})

writeFileSync(
  new URL('../docs/verdicts.md', import.meta.url),
  `# How well verdicts are drawn

Written by \`npm run verdicts\` (${TRIMS} trims of every quality by ${standards[0].name}, seed ${SEED}). The truth of each trim is known: true lengths, and true levels between the worded steps. Assessors name the step nearest to what they see after leaning; gauges scatter as their u says. "Wrong passes" are passed trims that truly miss the pass mark or a floor, of all that miss one; "wrong fails" the other way round.

| assessor | truth inside the 95 % interval | median width, marks | mark above the truth | wrong passes | wrong fails | second assessor asked |
|---|---|---|---|---|---|---|
${rows.join('\n')}

The method is the one of decision 0005. It asks a second assessor wherever the truth lies near a limit, which many of these trims do by design: they are spread evenly from poor to excellent. One assessor who leans by two standard deviations is not covered by the interval: no single sheet can show that, double marks do.
`
)
