// What is wrong with advice rules before anybody asks them.
import type { CoreIssue } from '../error'
import { isRegionId } from '../regions'
import { COAT_TYPES, FACTS, type AdviceRule, type Effect } from './types'

type Known = {
  /** labels of the tools that a rule may name */
  readonly labels: ReadonlySet<string>
  /** house rules by id with how many sides they have */
  readonly houses: ReadonlyMap<string, number>
}

const labelsIn = (effect: Effect): readonly string[] => {
  if (effect.kind === 'forbid') return [...(effect.which.labels ?? []), ...(effect.which.notLabels ?? [])]
  if (effect.kind === 'cap') return effect.label === undefined ? [] : [effect.label]
  return effect.kind === 'prefer' ? (effect.labels ?? []) : []
}

/** Names of places, coats, facts, tools and house rules that do not exist, ids used twice, and rules that do nothing or say nothing. */
export function ruleIssues(rules: readonly AdviceRule[], { labels, houses }: Known): CoreIssue[] {
  const seen = new Set<string>()
  return rules.flatMap(({ id, when, does, say }) => {
    const issues: CoreIssue[] = []
    const wrong = (field: string, got: unknown, limit: string) =>
      issues.push({ code: 'invalidRule', path: `rules.${id}.${field}`, got, limit })
    if (seen.has(id)) wrong('id', id, 'an id that no other rule has')
    seen.add(id)
    for (const region of when.regions ?? []) if (!isRegionId(region)) wrong('when.regions', region, 'a place of the coat')
    for (const coat of when.coats ?? []) if (!COAT_TYPES.includes(coat)) wrong('when.coats', coat, COAT_TYPES.join(', '))
    for (const fact of [...(when.all ?? []), ...(when.any ?? []), ...(when.none ?? [])])
      if (!FACTS.includes(fact)) wrong('when', fact, FACTS.join(', '))
    if (when.house && !(when.house.side < (houses.get(when.house.id) ?? 0)))
      wrong('when.house', `${when.house.id} ${when.house.side}`, 'a side of a house rule')
    for (const label of does.flatMap(labelsIn)) if (!labels.has(label)) wrong('does', label, 'a tool of the rack')
    if (does.length === 0) wrong('does', 'nothing', 'one effect at least')
    if (say.trim() === '') wrong('say', 'nothing', 'a sentence that says why')
    return issues
  })
}
