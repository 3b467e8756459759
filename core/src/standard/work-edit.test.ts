import { knownWith, rack, standards } from '@peen/content'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { newPass, passAs, PASS_KINDS, rowAs, SETS_LENGTH, standardIssues, standardWithWork, TOOLS_OF, withTool } from '.'

const toolById = (id: string) => rack.find((tool) => tool.id === id)!
const one = (id: string) => standards.find((standard) => standard.id === id)!

describe('a pass under the hand', () => {
  it('is begun with a tool that does such work, and the length that it leaves', () => {
    for (const kind of PASS_KINDS) {
      const pass = newPass(kind, 'body-clip', rack)
      expect(TOOLS_OF[kind]).toContain(toolById(pass.tools[0]).kind)
      if (SETS_LENGTH[kind] === 'never') expect(pass.leavesMm).toBeNull()
      if (kind !== 'attach' && SETS_LENGTH[kind] !== 'never') expect(pass.leavesMm).toBeGreaterThan(0)
      expect(pass.share !== undefined).toBe(kind === 'pull')
    }
  })

  // Ref: common practice, no published source: a 7F leaves 3.2 mm with the growth, 2.0 mm against it
  it('takes the length of its blade, in its direction', () => {
    const clip = newPass('clip', 'body-clip', rack)
    expect(withTool(clip, toolById('blade-7f')).leavesMm).toBe(3.2)
    expect(withTool({ ...clip, direction: 'against' }, toolById('blade-7f')).leavesMm).toBe(2)
    expect(withTool(newPass('attach', 'comb-clip', rack), toolById('comb-a')).leavesMm).toBe(19)
  })

  it('keeps where it goes as another kind of work', () => {
    const pass = { ...newPass('clip', 'body-clip', rack), where: 'under the jaw', house: { id: 'sanitary', side: 1 } }
    expect(passAs(pass, 'scissor', rack)).toMatchObject({ kind: 'scissor', direction: null, where: 'under the jaw', house: pass.house })
  })
})

describe('a place under the hand', () => {
  it('sees no pass where it is left alone, and begins with one where it is worked', () => {
    const row = { place: 'back' as const, does: 'unsaid' as const, passes: [] }
    expect(rowAs(row, 'leave', 'last-look', rack).passes).toEqual([])
    expect(rowAs(row, 'passes', 'last-look', rack).passes).toHaveLength(1)
    expect(rowAs(row, 'coat', 'last-look', rack).passes[0].kind).toBe('pull')
    const worked = one('bearded-pet').plan.work!.find(({ place }) => place === 'back')!
    // a blade sets a length: it goes where the coat itself is to stand
    expect(rowAs(worked, 'coat', 'pull', rack).passes.map(({ kind }) => kind)).toEqual(['pull'])
  })

  it('moves the length and the criteria that read it', () => {
    const standard = one('bearded-pet')
    const at = standard.plan.work!.findIndex(({ place }) => place === 'back')
    const work = standard.plan.work!.map((row, i) => (i === at ? { ...row, passes: [withTool(row.passes[0], toolById('blade-5f'))] } : row))
    const next = standardWithWork(standard, work)
    expect(next.plan.lengthsMm.back).toBe(6.3)
    for (const { region, how } of next.criteria) if (how.kind === 'length' && region === 'back') expect(how.targetMm).toBe(6.3)
    expect(standardWithWork(standard, standard.plan.work!).criteria).toEqual(standard.criteria)
  })
})

describe('whatever is written', () => {
  it('a trim written again with the same answers is the same trim', () => {
    for (const standard of standards) expect(standardWithWork(standard, standard.plan.work!), standard.id).toEqual(standard)
  })

  it('a place that is left alone or worked with a usual pass is never called silent or wrong', () => {
    fc.assert(
      fc.property(fc.constantFrom(...standards), fc.nat(), fc.constantFrom('passes', 'leave', 'coat'), (standard, n, does) => {
        const work = standard.plan.work!
        const at = n % work.length
        const technique = standard.plan.steps[n % standard.plan.steps.length].technique
        const next = standardWithWork(
          standard,
          work.map((row, i) => (i === at ? rowAs({ ...row, passes: [] }, does as 'leave', technique, rack) : row))
        )
        const wrong = standardIssues(next, knownWith()).filter(({ path }) => path.startsWith('plan.work'))
        expect(wrong, `${standard.id} ${work[at].place} ${does}`).toEqual([])
      }),
      { numRuns: 200 }
    )
  })
})
