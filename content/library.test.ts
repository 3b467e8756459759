// The library as it ships: every trim and technique of the trade. Trade facts: common practice, no published source.
import { answersAtTarget, follows, gradeResult, sidesOf, type Answer, type SideAnswer } from '@peen/core/grade'
import { fittedStandard, formulaById, sharedCriteria01, standardIssues, STATIONS, type Criterion, type Standard } from '@peen/core/standard'
import { minutesOfWalk } from '@peen/core/setup'
import { regionName } from '@peen/core/regions'
import { catalogueIssues, questionIssues, retirementIssues } from '@peen/core/technique'
import { describe, expect, it } from 'vitest'
import { adviceRules, coats, houseRules, houseWordsAt, knownWith, questions, rack, retiredTechniques, standards, techniques } from '.'

const KNOWN = knownWith()
const each = standards.map((standard) => [standard.id, standard] as const)
const criterionOf = (standard: Standard, id: string) => standard.criteria.find((criterion) => criterion.id === id)!
const grade = (standard: Standard, answers: ReturnType<typeof answersAtTarget>) =>
  gradeResult(standard, { answers, critical: [], burns: [], seedText: standard.id })

/** The worst that can be answered to a criterion, on every side. */
function atWorst({ how }: Criterion): Answer {
  const worst = (): SideAnswer => {
    if (how.kind === 'judged') return { kind: 'level', level: 0 }
    if (how.kind === 'computed') return { kind: 'inputs', values: pushed(how) }
    if (how.kind === 'difference') throw new Error('a difference is not answered')
    return { kind: 'readings', mm: [0, 0, 0].map(() => (how.limit[1] ?? 0) + 2) }
  }
  return Object.fromEntries(sidesOf(how).map((side) => [side, worst()]))
}

/** Readings that carry a formula beyond the limit, one input after the other. */
function pushed(how: Extract<Criterion['how'], { kind: 'computed' }>): Readonly<Record<string, number>> {
  const formula = formulaById(how.formula)!
  const beyond = (value: number) => (how.limit[1] !== null && value > how.limit[1]) || (how.limit[0] !== null && value < how.limit[0])
  for (const input of formula.inputs)
    for (const end of [input.high, input.low]) {
      const values = { ...how.typical, [input.id]: end }
      if (beyond(formula.of(values))) return values
    }
  throw new Error(`${how.formula} cannot leave its limit`)
}

describe('the sixteen trims', () => {
  it('are all there', () => {
    expect(standards.map(({ id }) => id)).toEqual(
      (
        'bearded-pet jacket-show jacket-pet clean-face bracelets companion smile layered-head teddy flower ' +
        'spaniel-pet spaniel-legs carded-sporting mountain-ear winter-show long-coat'
      ).split(' ')
    )
  })

  it.each(each)('%s can be used, in every variant', (_, standard) => {
    expect(standardIssues(standard, KNOWN)).toEqual([])
  })

  it.each(each)('%s takes as long as its steps, but for what has a clock of its own', (_, { standardMin, plan }) => {
    expect(minutesOfWalk(plan.steps).trim).toBe(standardMin)
  })

  it.each(each)('%s is walked in six stations, holds 15 to 40 criteria, six of them from what makes it', (_, standard) => {
    expect(standard.criteria.length).toBeGreaterThanOrEqual(15)
    expect(standard.criteria.length).toBeLessThanOrEqual(40)
    expect(new Set(standard.makes.flatMap(({ criteria }) => criteria)).size).toBeGreaterThanOrEqual(6)
    for (const station of STATIONS)
      expect(standard.criteria.filter((criterion) => criterion.station === station).length, station).toBeGreaterThan(0)
  })

  it('share no more than two fifths of their criteria, by id or by name', () => {
    const pairs = standards.flatMap((a, i) => standards.slice(i + 1).map((b) => [a.id, b.id, sharedCriteria01(a, b)] as const))
    expect(pairs.length).toBe(120)
    expect(pairs.filter(([, , shared]) => shared > 0.4)).toEqual([])
  })

  it('have each a fault that no other can have', () => {
    expect(new Set(standards.map(({ ownFault }) => ownFault.name)).size).toBe(standards.length)
    for (const { id, ownFault } of standards)
      for (const other of standards.filter((one) => one.id !== id))
        expect(
          other.criteria.map((criterion) => criterion.id),
          `${id} in ${other.id}`
        ).not.toContain(ownFault.criterion)
  })

  it.each(each)('%s passes when it is right, and its own fault is named first', (_, standard) => {
    const right = answersAtTarget(standard)
    const good = grade(standard, right)
    expect(good.outcome).toBe('passed')
    // judged levels are drawn evenly over their step, so the best answers still leave a little room below 100
    expect(good.total!.value).toBeGreaterThan(97)
    expect(good.cannotTell).toBe(0)
    expect(good.mend).toEqual([])
    const own = criterionOf(standard, standard.ownFault.criterion)
    const spoilt = grade(standard, { ...right, [own.id]: atWorst(own) })
    const said = [...spoilt.mend.map(({ say }) => say), ...spoilt.nextTime]
    const found = own.how.kind === 'judged' ? own.how.levels[0] : 'fault' in own.how ? own.how.fault.split('{')[0] : regionName(own.region)
    expect(said[0].toLowerCase()).toContain(found.toLowerCase())
    expect(spoilt.parts.filter(({ verdict }) => verdict === 'fails').every(({ criterionId }) => criterionId === own.id)).toBe(true)
  })

  it.each(each)('%s loses marks for every single thing that is wrong', (_, standard) => {
    const asked = standard.criteria.filter((criterion) => !follows(criterion))
    const { parts, total } = grade(standard, Object.fromEntries(asked.map((criterion) => [criterion.id, atWorst(criterion)])))
    expect(total!.value).toBeLessThan(standard.passMark / 2)
    for (const { id } of asked)
      for (const part of parts.filter(({ criterionId }) => criterionId === id)) expect(part.share01, id).toBeLessThan(0.9)
  })

  it.each(each)('%s is drawn with the lengths it is graded by', (id, standard) => {
    const coat = coats.find((one) => one.id === id)!
    expect(coat.body).toBe(standard.bodyType)
    expect(coat.lengths).toEqual(standard.plan.lengthsMm)
    for (const { region, how } of standard.criteria)
      if (how.kind === 'length' && standard.plan.lengthsMm[region] !== undefined) {
        const planned = standard.plan.lengthsMm[region]
        expect(planned >= how.band[0]! && planned <= how.band[1]!, `${id} ${region}: ${planned} in ${how.band.join(' to ')}`).toBe(true)
      }
  })
})

describe('the grade sheet of a clean dog', () => {
  // one touch for each criterion, five steps from station to station, the rating and the signature
  const TOUCH_S = 4
  it.each(each)('%s is done in under three minutes, at four seconds a touch', (_, standard) => {
    const touches = standard.criteria.filter((criterion) => !follows(criterion)).length + (STATIONS.length - 1) + 2
    expect(touches * TOUCH_S).toBeLessThan(180)
  })
})

describe('house rules and wishes', () => {
  const by = (id: string) => standards.find((standard) => standard.id === id)!
  // common practice, no published source; each must move a target and say so
  it.each<[string, string, number, (fitted: Standard) => unknown, unknown]>([
    ['brows off', 'bearded-pet', 1, (s) => s.plan.lengthsMm.brow, 3.2],
    ['brows off', 'jacket-pet', 1, (s) => s.plan.lengthsMm.brow, 6],
    ['U', 'clean-face', 1, (s) => criterionOf(s, 'neck-shape').label, 'Neck, a U'],
    ['inverted V at the stop', 'clean-face', 1, (s) => criterionOf(s, 'stop-shape')?.label, 'Stop, inverted V'],
    ['band by the comb', 'clean-face', 1, (s) => (criterionOf(s, 'band-width').how as { formula: string }).formula, 'bandByComb'],
    ['skull against', 'bearded-pet', 1, (s) => s.plan.lengthsMm.skull, 2],
    ['spaniel skull flat', 'spaniel-pet', 1, (s) => s.plan.lengthsMm.skull, 3.2]
  ])('%s moves %s', (words, id, side, read, expected) => {
    const rule = {
      'brows off': 'brows',
      U: 'face-neck',
      'inverted V at the stop': 'stop',
      'band by the comb': 'tail-band',
      'skull against': 'bearded-skull',
      'spaniel skull flat': 'spaniel-skull'
    }[words]!
    const { standard, moved } = fittedStandard(by(id), { house: { [rule]: side }, wishes: [] })
    expect(read(standard)).toBe(expected)
    expect(moved.map((one) => one.by)).toEqual([{ rule, side }])
    expect(fittedStandard(by(id), { house: { [rule]: 0 }, wishes: [] })).toEqual({ standard: by(id), moved: [] })
  })

  it.each(each)('every variant of %s can be graded, and is right when it is right', (_, standard) => {
    for (const { rule, side } of standard.variants) {
      const { standard: fitted, moved } = fittedStandard(standard, { house: { [rule]: side }, wishes: [] })
      expect(moved.length, rule).toBe(1)
      expect(grade(fitted, answersAtTarget(fitted)).outcome, rule).toBe('passed')
    }
  })
})

describe('the measures of the trade', () => {
  const text = JSON.stringify([standards, adviceRules, techniques, questions])
  const targets = new Set(
    standards.flatMap(({ plan, criteria }) => [
      ...Object.values(plan.lengthsMm),
      ...criteria.flatMap(({ how }) => (how.kind === 'length' ? [how.targetMm] : []))
    ])
  )
  // Ref: common practice, no published source
  it.each([
    ['body with a 7F', 3.2],
    ['comb 0 body', 16],
    ['comb A legs and head', 19],
    ['4F body', 9.5],
    ['ears outside with a 15', 1.2],
    ['face and rear with a 10', 1.6],
    ['legs left full, 35 to 45', 40]
  ])('%s is a target', (_, mm) => expect(targets).toContain(mm))
  it.each([
    ['ruff of half an inch to an inch', /"band": ?\[12\.7,25\.4\]/],
    ['the 2 in comb at the tail’s root', /50\.8 mm/],
    ['three turns of a band', /at most 3 turns/],
    ['a band every inch', /about every 25 mm/],
    ['a strip of an inch along the border', /about 25 mm wide/],
    ['38 mm beyond the last bone', /38 mm is much/],
    ['a step of half an inch at the fringe', /13 mm or more is a step/],
    ['4 or 6 weeks to sprout', /4 or 6 weeks/],
    ['carding at 45 degrees', /45 degrees/],
    ['12 minutes for the face', /About 12 minutes for the face is a practised time/],
    ['the neck as deep as the muzzle', /neckToMuzzle/],
    ['the foot line at the ankle', /footLineHeight/],
    ['head and tail of one height', /tailToHead/],
    ['25 mm above and below the anus', /25 mm above and below the anus/],
    ['ear cleaning monthly, weekly in trouble', /Monthly, weekly/],
    ['no 10 between the toes', /Never a 10 between the toes/]
  ])('%s stands in a criterion, a rule or a technique', (_, pattern) => expect(text).toMatch(pattern))
})

describe('the catalogue of techniques', () => {
  it('holds together: tools, regions and prerequisites known, no circle', () => {
    expect(catalogueIssues(techniques, KNOWN.tools)).toEqual([])
  })

  // Ref: common practice, no published source; family by family
  it.each<[string, string]>([
    [
      'handling',
      'leg-control move-with chin-hold read-dog mats set-up-self ears-away ear-lift nails photograph ear-clean eye-care equipment-check bath dry brush-out'
    ],
    [
      'clipping',
      'pads sanitary rough-clip body-clip comb-clip head-bulk skim-off terrier-rear poodle-foot poodle-face tail-band ear-leather ear-vent cheeks-tight eye-diamond eye-corners bearded-head throat-line clipper-bevel'
    ],
    [
      'scissoring',
      'round-foot cylinder-leg rear-leg skirt-line chest-front visor open-eyes ear-hanging round-head flower-head smile-lip brows-beard bevels bearded-head-scissors tail-shape mouth'
    ],
    [
      'stripping',
      'card-first pull pulled-head what-to-pull strip-hold strip-tools layback close-list strip-order outline-first roll-coat transition-strips strip-shapes comfort-first'
    ],
    [
      'finishing',
      'blend dome layered-head natural-ear last-look scissor-over-comb chunker-erase blow-shake long-coat-care banding wrap-ear'
    ]
  ])('%s', (family, ids) => {
    const own = techniques.filter((technique) => technique.family === family).map(({ id }) => id)
    for (const id of ids.split(' ')) expect(own).toContain(id)
  })

  it('are said by the house at steps that there are, in words for every side', () => {
    const known = new Set(techniques.map(({ id }) => id))
    for (const { id, sides, because, shownAt = [], atStep } of houseRules) {
      expect(because.length, id).toBe(sides.length)
      for (const technique of shownAt) expect(known, `${id} at ${technique}`).toContain(technique)
      if (shownAt.length > 0) expect(atStep?.length, id).toBe(sides.length)
      sides.forEach((_, side) => {
        for (const technique of shownAt)
          expect(houseWordsAt(technique, { [id]: side }).find(({ rule }) => rule === id)).toMatchObject({ say: atStep![side] })
      })
    }
  })

  it('tells what became of each that left, and asks what became a question', () => {
    expect(retirementIssues(retiredTechniques, techniques)).toEqual([])
    expect(questionIssues(questions, techniques, retiredTechniques)).toEqual([])
    // a fault or caution of what was merged is still looked at
    for (const { id, faults, retired } of retiredTechniques)
      if (retired.how === 'merged') {
        const kept = new Set(techniques.find((one) => one.id === retired.to)!.faults.map((fault) => fault.id))
        for (const fault of faults) expect(kept, `${id}, ${fault.name}`).toContain(fault.id)
      }
  })

  // Ref: common practice, no published source: every place where a slip can hurt
  it('caution wherever scissors come near eyes, tongue, genitals, anus, ear leather or hock', () => {
    const scissors = new Set(rack.filter(({ kind }) => kind === 'scissors').map(({ id }) => id))
    const NEAR: readonly [readonly string[], readonly string[]][] = [
      [['brow', 'eyeCorner'], ['eyes']],
      [
        ['muzzle', 'beard'],
        ['tongue', 'shut-muzzle']
      ],
      [['belly'], ['genitals']],
      [['anus', 'underTail'], ['anus-skin']],
      [['earOutside', 'earEdge', 'earBase'], ['ear-edge']],
      [['rearPastern'], ['hock-cord']]
    ]
    for (const { id, family, tools, regions, hazards } of techniques) {
      if (family === 'handling' || !tools.some((tool) => scissors.has(tool))) continue
      for (const [places, cautions] of NEAR)
        if (regions.some((region) => places.includes(region)))
          expect(
            hazards.some((hazard) => cautions.includes(hazard.id)),
            `${id} at ${places[0]}`
          ).toBe(true)
    }
  })

  it('say for each what to look at, what is clean, how a figure is used, two faults with cause and cure', () => {
    for (const technique of techniques) {
      expect(technique.steps.length, technique.id).toBeGreaterThanOrEqual(3)
      expect(technique.faults.length, technique.id).toBeGreaterThanOrEqual(2)
      for (const field of ['lookAt', 'clean', 'figure'] as const) expect(technique[field].length, technique.id).toBeGreaterThan(8)
    }
  })

  // Ref: common practice, no published source (docs/method.md, Risky steps)
  it('hold at ear edge, ear pocket, toe web, armpit mat, throat folds and eyes', () => {
    const held = new Set(techniques.flatMap(({ hazards }) => hazards.filter(({ hold }) => hold).map(({ id }) => id)))
    for (const id of ['ear-edge', 'ear-pocket', 'toe-web', 'armpit-mat', 'throat-folds', 'eyes']) expect(held).toContain(id)
    for (const technique of techniques)
      for (const { id, hold } of technique.hazards)
        if (['ear-edge', 'ear-pocket', 'armpit-mat', 'throat-folds', 'eyes'].includes(id)) expect(hold, `${technique.id} ${id}`).toBe(true)
  })

  it('are practised by some trim, or come before one that is', () => {
    const planned = new Set(standards.flatMap(({ plan }) => plan.steps.map(({ technique }) => technique)))
    expect(planned.size).toBeGreaterThan(30)
  })
})

describe('what a slip can hurt', () => {
  // Ref: common practice, no published source; the caps are chosen
  it.each(standards.map((standard) => [standard.id, standard] as const))('%s has its critical faults', (_, { critical, plan }) => {
    const caps = Object.fromEntries(critical.map(({ id, cap }) => [id, cap]))
    expect(caps).toMatchObject({ 'eye-hurt': 0, 'tongue-cut': 30, 'genital-cut': 30, 'ear-cut': 30 })
    const passes = (places: readonly string[]) => plan.work!.filter(({ place }) => places.includes(place)).flatMap((row) => row.passes)
    if (passes(['toes', 'foreFoot', 'rearFoot']).some(({ kind }) => kind === 'clip')) expect(caps['web-cut']).toBe(40)
    if (plan.work!.some((row) => row.passes.some(({ kind }) => kind === 'band'))) expect(caps['band-on-leather']).toBe(0)
  })
})
