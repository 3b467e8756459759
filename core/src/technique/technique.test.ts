import { techniques } from '@peen/content'
import { describe, expect, it } from 'vitest'
import { catalogueIssues, comesBefore, techniqueIssues, versionIssues, type Technique } from '.'

const foot = techniques.find(({ id }) => id === 'poodle-foot')!
const with_ = (part: Partial<Technique>): Technique => ({ ...foot, ...part })

describe('a school’s own version', () => {
  it('may word everything its own way and add faults, cautions and hold points', () => {
    const own = with_({
      name: 'Clean feet',
      steps: ['Back first.', 'Then the sides.'],
      usualMinutes: 22,
      faults: [
        ...foot.faults,
        { id: 'own-flat', name: 'Flat foot not hidden', major: false, cause: 'line at the joint', cure: 'a little lower' }
      ],
      hazards: [...foot.hazards, { id: 'own-nail', name: 'nail in the blade', caution: 'Bring the nail forward.', hold: true }]
    })
    expect(versionIssues(foot, own)).toEqual([])
  })

  it.each<[string, Technique, string, RegExp]>([
    ['a fault that notes may name', with_({ faults: foot.faults.slice(1) }), 'faults.foot-high', /notes may name it/],
    [
      'a major fault made minor',
      with_({ faults: foot.faults.map((fault) => ({ ...fault, major: false })) }),
      'faults.web-nick',
      /what is unsafe stays so/
    ],
    ['a caution taken away', with_({ hazards: [] }), 'hazards.toe-web', /a caution stays at its step/],
    [
      'a hold point lifted',
      with_({ hazards: foot.hazards.map((hazard) => ({ ...hazard, hold: false })) }),
      'hazards.toe-web',
      /an instructor must be present/
    ],
    ['another family', with_({ family: 'finishing' }), 'id', /poodle-foot, clipping/],
    ['no step', with_({ steps: [] }), 'steps', /1 to 12 steps/],
    ['a step without words', with_({ steps: ['Back first.', ' '] }), 'steps', /each in words/],
    ['minutes no dog stands', with_({ usualMinutes: 900 }), 'usualMinutes', /1 to 240 minutes/],
    ['a place no dog has', with_({ regions: ['antler' as never] }), 'regions', /known region/],
    [
      'a fault without a cure',
      with_({ faults: [...foot.faults, { id: 'x', name: 'X', major: false, cause: 'y', cure: '' }] }),
      'faults.6',
      /cure/
    ]
  ])('refuses %s', (_, wrong, path, limit) => {
    const found = versionIssues(foot, wrong).find((issue) => issue.path === path)
    expect(found?.limit).toMatch(limit)
  })
})

describe('the catalogue', () => {
  it('knows everything that comes before a technique, near and far', () => {
    const before = comesBefore(techniques, 'wrap-ear')
    for (const id of ['banding', 'long-coat-care', 'brush-out', 'bath']) expect(before).toContain(id)
    expect(before).not.toContain('wrap-ear')
  })

  it.each<[string, (all: readonly Technique[]) => readonly Technique[], RegExp]>([
    ['an unknown tool', (all) => all.map((one) => (one.id === 'pads' ? { ...one, tools: ['chainsaw'] } : one)), /pads\.tools/],
    ['an unknown prerequisite', (all) => all.map((one) => (one.id === 'pads' ? { ...one, after: ['flying'] } : one)), /pads\.after/],
    ['a circle', (all) => all.map((one) => (one.id === 'leg-control' ? { ...one, after: ['pads'] } : one)), /(pads|leg-control)\.after/],
    ['an id used twice', (all) => [...all, all[0]], /leg-control\.id/]
  ])('refuses %s', (_, spoil, path) => {
    const tools = new Set(techniques.flatMap((one) => one.tools))
    expect(catalogueIssues(techniques, tools)).toEqual([])
    expect(catalogueIssues(spoil(techniques), tools).some((issue) => path.test(issue.path))).toBe(true)
  })

  it('has nothing wrong in any technique by itself', () => {
    for (const technique of techniques) expect(techniqueIssues(technique), technique.id).toEqual([])
  })
})
