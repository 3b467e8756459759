import { describe, expect, it } from 'vitest'
import { practiseNext, standingOf, type AttemptRecord, type Chance, type Practisable } from '.'

const TODAY = '2026-04-14'
const day = (ago: number) => new Date(Date.parse(TODAY) - ago * 86400000).toISOString().slice(0, 10)
const attempt = (ago: number, change: Partial<AttemptRecord> = {}): AttemptRecord => ({
  ...{ visitId: `s${ago}`, onDate: day(ago), dogId: `d${ago % 3}`, dogName: 'Flint', coat: 'wire' },
  ...{ clean: true, counts: true, minutes: 10, planMinutes: 10, prompts: 0, help: 'alone', sides: 'both', because: '' },
  ...{ safetyEvents: 0, seriousSafety: false },
  ...change
})
/** The latest attempt so many days ago, one each day before. */
const tried = (n: number, last = 1, change: (i: number) => Partial<AttemptRecord> = () => ({})) =>
  Array.from({ length: n }, (_, i) => attempt(last + n - 1 - i, change(i)))
const one = (id: string, attempts: AttemptRecord[], after: string[] = [], passedTrimOn: string | null = null): Practisable => ({
  ...{ id, name: id, after, attempts },
  standing: standingOf({ techniqueName: id, attempts, passedTrimOn, liftedOn: null, today: TODAY })
})
const chance = (name: string, coat: string, onDate: string | null, techniques: string[]): Chance => ({
  ...{ dogId: name, name, coat, onDate, canStandMin: 60 },
  techniques: new Set(techniques)
})
const RULES = { today: TODAY, lapseDays: 60 }
const order = (...args: Parameters<typeof practiseNext>) => practiseNext(...args).map(({ techniqueId }) => techniqueId)

describe('what to practise next', () => {
  const slipping = one(
    'slips',
    tried(20, 1, (i) => ({ clean: i < 14 || i % 2 === 0 })),
    [],
    day(8)
  )
  const lapsed = one('lapsed', tried(5, 70))
  const near = one('near', tried(12))
  const far = one('far', tried(2))
  const ready = one('ready', tried(14))

  it('mends what goes first, then what is nearest to its signal', () => {
    expect([slipping, lapsed].map(({ standing }) => standing.state)).toEqual(['slipping', 'lapsed'])
    expect(order([far, near, ready, lapsed, slipping], [], [], RULES)).toEqual(['slips', 'lapsed', 'near', 'far'])
  })

  it('never offers what is held, and lets new things wait for what comes before them', () => {
    const held = one(
      'held',
      tried(3, 1, (i) => (i === 2 ? { clean: false, seriousSafety: true, safetyEvents: 1 } : {}))
    )
    const base = one('base', [])
    const onTop = one('on-top', [], ['base'])
    const need = (techniqueId: string) => ({ techniqueId, certificate: 'Clipping', lacks: [], openRules: 2 })
    expect(order([held, base, onTop], [need('held'), need('base'), need('on-top')], [], RULES)).toEqual(['base'])
    expect(order([held, one('base', tried(1)), onTop], [need('on-top')], [], RULES)).toEqual(['base', 'on-top'])
  })

  it('offers what is competent only for what a certificate still lacks, and says what', () => {
    const done = one('done', tried(14), [], day(1))
    expect(done.standing.state).toBe('competent')
    expect(order([done], [{ techniqueId: 'done', certificate: 'Clipping', lacks: [], openRules: 1 }], [], RULES)).toEqual([])
    const [found] = practiseNext(
      [done],
      [{ techniqueId: 'done', certificate: 'Clipping', lacks: ['1 of 2 coats'], openRules: 1 }],
      [],
      RULES
    )
    expect(found.why).toContain('Clipping needs it: 1 of 2 coats so far.')
  })

  it('takes the coat that is new for it, and the dog that comes soon', () => {
    const dogs = [
      chance('Flint', 'wire', day(-2), ['near']),
      chance('Moss', 'curly', day(-3), ['near']),
      chance('Ash', 'curly', null, ['near'])
    ]
    const [found] = practiseNext([near], [], dogs, RULES)
    expect(found.dog?.name).toBe('Moss')
    expect(found.why.at(-1)).toBe('Moss: a curly coat is new for it; comes on 17 April 2026.')
    expect(practiseNext([near], [], [chance('Flint', 'wire', null, ['other'])], RULES)[0].dog).toBeNull()
  })
})

describe('what a chart shows', () => {
  const found = (attempts: AttemptRecord[]) => one('x', attempts).standing.found
  it('is a plateau after a dozen attempts without a better score', () => {
    // up to 6, then up and down below it, help the same
    const stuck = [...'++++++', ...'-+++++-+++++-+'].map((c) => c === '+')
    const attempts = tried(stuck.length, 1, (i) => ({ clean: stuck[i], help: 'onePrompt' }))
    expect(found(attempts)).toMatchObject({
      kind: 'plateau',
      say: expect.stringMatching(/Stuck for 14 attempts: the best was 6 of 14/)
    })
    // the same with help falling all the while is no plateau
    const freer = attempts.map((own, i): AttemptRecord => ({
      ...own,
      help: i < 8 ? 'shown' : i < 12 ? 'talkedThrough' : i < 16 ? 'onePrompt' : 'alone'
    }))
    expect(found(freer)).toBeNull()
    expect(found(attempts.slice(0, 10))).toBeNull()
  })
  it('is a relapse when it fell from half of the limit to a quarter', () => {
    const fell = [...'++++++++--'].map((c) => c === '+')
    expect(found(tried(10, 1, (i) => ({ clean: fell[i] })))).toMatchObject({
      kind: 'relapse',
      sinceOn: day(2),
      say: expect.stringMatching(/from 8 to 0 of 14/)
    })
  })
  it('is slipping before the alarm', () => {
    const once = tried(15, 1, (i) => ({ clean: i < 14 }))
    const { alarmAt, watched } = one('x', once).standing
    expect(watched.at(-1)).toBe(6)
    const twice = tried(16, 1, (i) => ({ clean: i < 14 }))
    const both = one('x', twice).standing
    expect(alarmAt).toBeGreaterThan(6)
    if (both.state !== 'slipping') expect(both.found).toMatchObject({ kind: 'slipping', sinceOn: day(2) })
  })
})
