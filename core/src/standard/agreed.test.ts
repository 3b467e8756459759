import { standards } from '@peen/content'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { agreedAt, agreedStandard, howOnSide, planAgreed, type AgreedLength, type How } from '.'
import { gradeResult, answersAtTarget } from '../grade'

const standard = standards[0]
const line = (region: AgreedLength['region'], side: AgreedLength['side'], mm: number | null, why = ''): AgreedLength => ({
  region,
  side,
  mm,
  why
})
const with_ = (...agreed: AgreedLength[]) => agreedStandard({ standard, moved: [] }, agreed)
type Length = Extract<How, { kind: 'length' }>
const lengthOf = (fitted: ReturnType<typeof with_>, id: string) => fitted.standard.criteria.find((one) => one.id === id)!.how as Length
const read = (mm: number) => ({ kind: 'readings' as const, mm: [mm, mm, mm] })

describe('a standard by what was agreed', () => {
  it('is as it is written where nothing was agreed', () => {
    expect(with_().standard).toBe(standard)
    expect(with_(line('back', 'both', 3.2)).moved).toEqual([])
  })

  it('asks for the agreed length, says so and why, and moves the plan with it', () => {
    const fitted = with_(line('cheek', 'both', 6.3, 'First visit, history unknown'))
    expect(lengthOf(fitted, 'cheek-length')).toMatchObject({ targetMm: 6.3 })
    expect(fitted.standard.plan.lengthsMm.cheek).toBe(6.3)
    expect(fitted.moved.map(({ say }) => say)).toEqual(['Cheek: 6.3 mm, not 3.2 mm: First visit, history unknown.'])
  })

  it('keeps each side’s own target, and counts their difference from the agreed one', () => {
    const fitted = with_(line('foreleg', 'left', 35), line('foreleg', 'right', 41))
    const how = lengthOf(fitted, 'foreleg-length')
    expect([howOnSide(how, 'left'), howOnSide(how, 'right')].map((side) => (side as Length).targetMm)).toEqual([35, 41])
    expect(fitted.standard.plan.lengthsMm.foreleg).toBe(41)
    const answers = { ...answersAtTarget(fitted.standard), 'foreleg-length': { left: read(35), right: read(41) } }
    const result = gradeResult(fitted.standard, { answers, critical: [], burns: [], seedText: 'x' })
    const says = result.parts
      .filter(({ region }) => region === 'foreleg' && true)
      .map(({ criterionId, side, say }) => `${criterionId} ${side}: ${say}`)
    expect(says).toContain('foreleg-length left: meets, 35 mm')
    expect(says).toContain('foreleg-length right: meets, 41 mm')
    const pair = result.parts.find(({ criterionId }) => criterionId === 'foreleg-pair')!
    expect(pair.say).toBe('meets, 6 mm apart, as agreed')
    // both at 41: the left stands prouder than agreed, and only the left is to come back
    const even = gradeResult(fitted.standard, {
      answers: { ...answers, 'foreleg-length': { left: read(47), right: read(41) } },
      ...{ critical: [], burns: [], seedText: 'x' }
    })
    expect(even.mend[0]).toMatchObject({ criterionId: 'foreleg-length', side: 'left', cutMm: { right: 0 } })
  })

  it('is never narrower than the gauge can decide, at whatever length was agreed', () => {
    let tried = 0
    fc.assert(
      fc.property(fc.double({ min: 0.25, max: 120, noNaN: true }), fc.double({ min: 0.25, max: 120, noNaN: true }), (left, right) => {
        const how = lengthOf(with_(line('back', 'left', left), line('back', 'right', right)), 'back-length')
        for (const side of ['left', 'right'] as const) {
          const own = howOnSide(how, side) as Length
          expect(own.band[1]! - own.band[0]!).toBeGreaterThan(3.92 * 0.4 - 0.21)
          expect(own.band[0]!).toBeLessThanOrEqual(own.targetMm + 1e-9)
          expect(own.band[1]!).toBeGreaterThanOrEqual(own.targetMm - 1e-9)
        }
        tried++
      })
    )
    expect(tried).toBeGreaterThan(50)
  })

  it('knows the sides of a place by any line that holds for it', () => {
    const agreed = [line('skull', 'whole', 3.2), line('cheek', 'left', 6.3), line('back', 'both', 4)]
    expect(agreedAt(agreed, 'skull')).toEqual({ left: 3.2, right: 3.2 })
    expect(agreedAt(agreed, 'cheek')).toEqual({ left: 6.3, right: null })
    expect(planAgreed(standard.plan, agreed).lengthsMm).toMatchObject({ skull: 3.2, cheek: 6.3, back: 4, foreleg: 35 })
  })
})
