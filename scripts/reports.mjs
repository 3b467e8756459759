// What the runners reported: how many passed, how many failed, and which, so that the end of a long log names them.
import { existsSync, readFileSync } from 'node:fs'

/** Of a Vitest JSON report; a file that could not be loaded holds no test and still fails. */
export function ofVitest(file) {
  if (!existsSync(file)) return missing('unit and server tests')
  const { numPassedTests, testResults } = JSON.parse(readFileSync(file, 'utf8'))
  const failures = testResults.flatMap(({ name, status, message, assertionResults }) => {
    if (status === 'failed' && assertionResults.length === 0) return [failure(name, message)]
    return assertionResults
      .filter((test) => test.status !== 'passed')
      .map((test) => failure(`${name} › ${test.fullName}`, test.failureMessages?.[0] ?? test.status))
  })
  const seconds = testResults.map(({ name, startTime = 0, endTime = 0 }) => ({ name, seconds: (endTime - startTime) / 1000 }))
  return { passed: numPassedTests, failures, seconds }
}

/** Of a Playwright JSON report; a test that needed a second try, or was left out, has failed. */
export function ofPlaywright(file) {
  if (!existsSync(file)) return missing('browser tests')
  const { stats, errors, suites } = JSON.parse(readFileSync(file, 'utf8'))
  const failures = suites
    .flatMap(specsOf)
    .filter(({ spec }) => spec.tests.some((test) => test.status !== 'expected'))
    .map(({ spec, file }) => failure(`${file} › ${spec.title}`, firstError(spec)))
  const taken = new Map()
  for (const { spec, file } of suites.flatMap(specsOf))
    for (const { duration = 0 } of spec.tests.flatMap((test) => test.results)) taken.set(file, (taken.get(file) ?? 0) + duration / 1000)
  const seconds = [...taken].map(([name, own]) => ({ name: `e2e/${name}`, seconds: own }))
  return { passed: stats.expected, failures: [...failures, ...errors.map(({ message }) => failure('browser', message))], seconds }
}

/** The files that took longest, as a table: where a minute can be saved. */
export function slowest(seconds, most = 12) {
  const rows = [...seconds].sort((a, b) => b.seconds - a.seconds).slice(0, most)
  return rows.map(({ name, seconds: own }) => `${own.toFixed(0).padStart(5)} s  ${name}`).join('\n')
}

function missing(name) {
  return { passed: 0, failures: [failure(name, 'left no report')], seconds: [] }
}

function specsOf({ file, specs = [], suites = [] }) {
  return [...specs.map((spec) => ({ spec, file })), ...suites.flatMap(specsOf)]
}

function firstError(spec) {
  const results = spec.tests.flatMap((test) => test.results)
  return results.map(({ error }) => error?.message).find(Boolean) ?? results.map(({ status }) => status).join(', ')
}

/** The name of a failed test and the beginning of what it said, without colours. */
function failure(name, message = '') {
  // eslint-disable-next-line no-control-regex
  const plain = message.replace(/\u001b\[[0-9;]*m/g, '')
  return `${name}\n    ${plain.split('\n').slice(0, 12).join('\n    ')}`
}
