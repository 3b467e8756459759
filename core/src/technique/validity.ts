// What a school may make of a technique, and whether the catalogue holds together.
import type { CoreIssue } from '../error'
import { isRegionId } from '../regions'
import { FAMILIES, type Technique } from './types'

const LONGEST_MIN = 240
const MOST_STEPS = 12

/** Everything wrong with a catalogue, each with its place: ids, families, prerequisites that are unknown or run in a circle. */
export function catalogueIssues(techniques: readonly Technique[], tools: ReadonlySet<string>): CoreIssue[] {
  const ids = new Set(techniques.map(({ id }) => id))
  return techniques.flatMap((technique, i) => {
    const at = `techniques.${technique.id}`
    const issues: CoreIssue[] = techniqueIssues(technique).map((issue) => ({ ...issue, path: `${at}.${issue.path}` }))
    const refuse = (path: string, got: unknown, limit: string) =>
      issues.push({ code: 'invalidTechnique', path: `${at}.${path}`, got, limit })
    if (techniques.findIndex(({ id }) => id === technique.id) !== i) refuse('id', technique.id, 'an id used once')
    for (const tool of technique.tools) if (!tools.has(tool)) refuse('tools', tool, 'a tool of the rack')
    for (const before of technique.after) if (!ids.has(before)) refuse('after', before, 'a known technique')
    if (comesBefore(techniques, technique.id).has(technique.id)) refuse('after', technique.id, 'no circle of prerequisites')
    return issues
  })
}

/** Every technique that must come before this one, near and far. */
export function comesBefore(techniques: readonly Technique[], id: string): ReadonlySet<string> {
  const found = new Set<string>()
  const walk = (at: string): void => {
    for (const before of techniques.find((one) => one.id === at)?.after ?? []) {
      if (found.has(before)) continue
      found.add(before)
      walk(before)
    }
  }
  walk(id)
  return found
}

/** Everything wrong with one technique by itself. */
export function techniqueIssues(technique: Technique): CoreIssue[] {
  const issues: CoreIssue[] = []
  const refuse = (path: string, got: unknown, limit: string) => issues.push({ code: 'invalidTechnique', path, got, limit })
  if (technique.name.trim() === '') refuse('name', 'empty', 'a name')
  if (!FAMILIES.includes(technique.family)) refuse('family', technique.family, FAMILIES.join(', '))
  if (![1, 2, 3].includes(technique.level)) refuse('level', technique.level, '1, 2 or 3')
  const steps = technique.steps.filter((step) => step.trim() !== '').length
  if (steps !== technique.steps.length || steps < 1 || steps > MOST_STEPS)
    refuse('steps', `${steps} of ${technique.steps.length} worded`, `1 to ${MOST_STEPS} steps, each in words`)
  for (const field of ['lookAt', 'clean'] as const) if (technique[field].trim() === '') refuse(field, 'empty', 'a few words')
  if (technique.faults.length === 0) refuse('faults', 0, 'at least one fault')
  for (const [i, { name, cause, cure }] of technique.faults.entries())
    if ([name, cause, cure].some((text) => text.trim() === '')) refuse(`faults.${i + 1}`, 'without words', 'a name, a cause and a cure')
  for (const [i, { name, caution }] of technique.hazards.entries())
    if ([name, caution].some((text) => text.trim() === '')) refuse(`hazards.${i + 1}`, 'without words', 'a name and its caution')
  const twice = technique.faults.map(({ id }) => id).find((id, i, all) => all.indexOf(id) !== i)
  if (twice !== undefined) refuse('faults', twice, 'each fault once')
  for (const region of technique.regions) if (!isRegionId(region)) refuse('regions', region, 'a known region')
  if (!(technique.usualMinutes >= 1 && technique.usualMinutes <= LONGEST_MIN))
    refuse('usualMinutes', technique.usualMinutes, `1 to ${LONGEST_MIN} minutes`)
  return issues
}

/**
 * What a school may not do to a technique in a version of its own: take a fault away that may stand in old notes, make a
 * major fault minor, or lift a hold point. Everything else is the school's.
 */
export function versionIssues(before: Technique, after: Technique): CoreIssue[] {
  const issues = techniqueIssues(after)
  const refuse = (path: string, got: unknown, limit: string) => issues.push({ code: 'keptByAll', path, got, limit })
  if (after.id !== before.id || after.family !== before.family)
    refuse('id', `${after.id}, ${after.family}`, `${before.id}, ${before.family}`)
  for (const fault of before.faults) {
    const now = after.faults.find(({ id }) => id === fault.id)
    if (!now) refuse(`faults.${fault.id}`, 'gone', `“${fault.name}”, since notes may name it`)
    else if (fault.major && !now.major) refuse(`faults.${fault.id}`, 'minor', 'major: what is unsafe stays so')
  }
  for (const hazard of before.hazards) {
    const now = after.hazards.find(({ id }) => id === hazard.id)
    if (!now) refuse(`hazards.${hazard.id}`, 'gone', `“${hazard.name}”: a caution stays at its step`)
    else if (hazard.hold && !now.hold) refuse(`hazards.${hazard.id}`, 'no hold point', 'a hold point: an instructor must be present')
  }
  return issues
}
