// What a standard may refer to.
import type { Known } from '@peen/core/standard'
import type { Tool } from '@peen/core/tools'
import { bodies } from './bodies'
import { coats } from './coats'
import { houseRules } from './house'
import { rack } from './rack'
import { techniques } from './techniques'

/** What a standard may refer to, with a school's own tools and techniques; by default what Peen ships. */
export function knownWith(
  tools: readonly Pick<Tool, 'id' | 'kind'>[] = rack,
  of: readonly { readonly id: string }[] = techniques
): Required<Known> {
  return {
    techniques: new Set(of.map(({ id }) => id)),
    tools: new Set(tools.map(({ id }) => id)),
    toolKinds: new Map(tools.map(({ id, kind }) => [id, kind])),
    bodies: new Set(bodies.map(({ id }) => id)),
    coats: new Map(coats.map(({ id, body }) => [id, body])),
    houses: new Map(houseRules.map(({ id, sides }) => [id, sides.length]))
  }
}
