import { houseRules, rack, standards } from '@peen/content'
import type { StandardHead } from '@peen/contract'
import { describe, expect, it } from 'vitest'
import { effectsOf } from './house-effects'

const school = {
  tools: rack,
  standards: standards.map(({ id, version, name, bodyType, standardMin, plan, variants }): StandardHead => ({
    ...{ id, version, name, bodyType, standardMin, plan, retired: false, variants }
  }))
}
const of = (id: string, side: number) =>
  effectsOf(
    houseRules.find((rule) => rule.id === id)!,
    side,
    school
  )

describe('what a house rule changes', () => {
  // Ref: common practice, no published source (docs/method.md, House rules)
  it('is said for every side of every rule', () => {
    for (const { id, sides } of houseRules)
      sides.forEach((_, side) => expect(of(id, side).length, `${id}, side ${side}`).toBeGreaterThan(0))
  })

  it('differs from side to side, and says so where nothing is computed', () => {
    for (const { id, sides, informs, atStep } of houseRules) {
      const said = sides.map((_, side) => of(id, side).join(' '))
      if (informs) for (const words of said) expect(words, id).toMatch(/Changes no length and no tool/)
      if (informs) expect(new Set(atStep).size, id).toBe(sides.length)
      else if (!['chalk', 'face-neck', 'stop', 'back-pad', 'poodle-tail'].includes(id)) expect(new Set(said).size, id).toBe(sides.length)
    }
  })

  it('names the work of the trims, and counts them where they are many', () => {
    expect(of('teddy-ear', 1).join(' ')).toMatch(/“Teddy/)
    expect(of('eye-corners', 1).join(' ')).toMatch(/Eye corner: small face scissors \(\d+ trims\)/)
    expect(of('bearded-ear', 1).join(' ')).toMatch(/Ear outside: blade 10 with \(“Bearded/)
  })
})
