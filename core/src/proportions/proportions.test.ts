// Measures of the trade on drawn dogs; all common practice, no published source.
import { bodies, bodyById, rack } from '@peen/content'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { fitBody, usualMeasures } from '../figure'
import { toolById } from '../tools'
import { measuredRules, RULE_KINDS, tailBandWidths, type RuleCase } from '.'

const poodle = bodyById('poodle')
const caseOf = (withersMm = poodle.withersMm, more: Partial<RuleCase> = {}): RuleCase => ({
  body: fitBody(poodle, { withersMm }),
  withersMm,
  lengths: { skull: 64, tail: 48 },
  ballMm: null,
  flatFootMm: 0,
  house: {},
  blade: toolById(rack, 'blade-7f'),
  ...more
})
const one = (kind: (typeof RULE_KINDS)[number], given = caseOf()) => measuredRules([kind], given)[0]
const lengthOf = ([[ax, ay], [bx, by]]: readonly (readonly [number, number])[]) => Math.hypot(bx - ax, by - ay)

describe('tail band', () => {
  it('is 50.8 mm by the comb on every dog; pin bones grow with the dog', () => {
    for (const body of bodies) {
      const [small, large] = [tailBandWidths(body, 260), tailBandWidths(body, 520)]
      expect(small.combMm).toBeCloseTo(50.8, 6)
      expect(large.combMm).toBeCloseTo(50.8, 6)
      expect(large.pinBonesMm).toBeCloseTo(2 * small.pinBonesMm, 6)
      expect(large.differenceMm).toBeCloseTo(large.pinBonesMm - 50.8, 6)
    }
  })
  it('says both and their difference on a toy, and cuts by the house', () => {
    const toy = one('tailBand', caseOf(260))
    expect(toy.says[0]).toMatch(/50\.8 mm bare.* 33\.8 mm, 17 mm narrower/)
    expect(toy.mm).toBeCloseTo(33.8, 1)
    expect(one('tailBand', caseOf(260, { house: { 'tail-band': 1 } })).mm).toBeCloseTo(50.8, 6)
  })
})

describe('neck, foot, ruff, plume, tail and bands', () => {
  it('draws the neck as deep as this dog’s muzzle is long', () => {
    const usual = usualMeasures(poodle, 400).muzzleMm
    expect(one('neckDepth', caseOf(400)).mm).toBeCloseTo(usual, 3)
    const own = one('neckDepth', caseOf(400, { body: fitBody(poodle, { withersMm: 400, muzzleMm: usual * 1.2 }) }))
    expect(own.mm).toBeCloseTo(usual * 1.2, 3)
    expect(lengthOf(own.lines[0] as never)).toBeCloseTo(usual * 1.2, 3)
  })
  it('sets the foot line at the ankle, lower on a flat foot, and refuses a foot no dog has', () => {
    const sound = one('footLine').mm
    const flat = one('footLine', caseOf(undefined, { flatFootMm: 6 }))
    expect(flat.mm).toBeCloseTo(sound - 6, 6)
    expect(flat.says[1]).toMatch(/flat by 6 mm/)
    expect(sound).toBeGreaterThan(15)
    expect(() => one('footLine', caseOf(undefined, { flatFootMm: 40 }))).toThrow(/flatFootMm is 40; it must be 0 to 20 mm/)
  })
  it('puts the ruff half an inch to an inch behind the skull', () => {
    const ruff = one('ruff')
    expect(ruff.says[0]).toMatch(/12\.7 mm to 25\.4 mm.*1\/2 in to 1 in/)
    expect(lengthOf(ruff.lines[2] as never)).toBeCloseTo(25.4, 6)
  })
  it('draws what a blade leaves with the growth and against it', () => {
    const both = one('against')
    expect(both.lines.map((line) => lengthOf(line as never))).toEqual([expect.closeTo(3.2, 6), expect.closeTo(2, 6)])
    expect(one('against', caseOf(undefined, { blade: toolById(rack, 'blade-40') })).says[0]).toMatch(/0\.1 mm against it, at the skin/)
    expect(measuredRules(['against'], caseOf(undefined, { blade: toolById(rack, 'comb-a') }))).toEqual([])
  })
  it('lets a plume just touch the table', () => {
    const plume = one('plume')
    expect(plume.mm).toBeCloseTo(lengthOf(plume.lines[0] as never), 6)
    expect(plume.lines[0][1][1]).toBe(0)
  })
  it('compares tail and head in stance, hair included', () => {
    const now = one('tailHead').mm
    expect(one('tailHead', caseOf(undefined, { lengths: { skull: 64, tail: 58 } })).mm).toBeCloseTo(now + 10, 6)
    expect(one('tailHead', caseOf(undefined, { lengths: { skull: 64, tail: 48 - now } })).says[0]).toMatch(/the same height/)
  })
  it('takes a ball at the tail’s end by its radius, whatever the hair is', () => {
    const ball = (ballMm: number, tail: number) => one('tailHead', caseOf(undefined, { ballMm, lengths: { skull: 64, tail } })).mm
    expect(ball(60, 48)).toBeCloseTo(ball(50, 20) + 10, 6)
  })
  it('counts a band for every inch of topknot', () => {
    const bands = (skull: number) => one('bands', caseOf(undefined, { lengths: { skull } })).lines.length - 1
    expect([20, 25.4, 64, 120].map(bands)).toEqual([0, 1, 2, 4])
  })
})

it('is a number, a sentence and lines for every body at every height', () => {
  fc.assert(
    fc.property(fc.constantFrom(...bodies), fc.integer({ min: 200, max: 800 }), (body, withersMm) => {
      for (const rule of measuredRules(RULE_KINDS, caseOf(withersMm, { body: fitBody(body, { withersMm }) }))) {
        expect(Number.isFinite(rule.mm), rule.kind).toBe(true)
        expect(rule.says.length).toBeGreaterThan(0)
        expect(rule.lines.flat(2).every(Number.isFinite), rule.kind).toBe(true)
      }
    }),
    { numRuns: 60 }
  )
})
