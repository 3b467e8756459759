import { standards } from '@peen/content'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { bestCuts, gradeResult, sayPlace, shareOfMarks, sidesOf, type Answer, type Answers, type BurnPlace, type SideAnswer } from '.'

const standard = standards[0]
const criterion = (id: string) => standard.criteria.find((candidate) => candidate.id === id)!

/** Only these criteria are answered: the sentences are read one at a time. */
const mend = (answers: Answers, burns: readonly BurnPlace[] = []) => gradeResult(standard, { answers, critical: [], burns, seedText: 'x' })
const mm = (value: number): SideAnswer => ({ kind: 'readings', mm: [value, value, value] })
const pair = (left: number, right: number): Answer => ({ left: mm(left), right: mm(right) })
const level = (value: number): SideAnswer => ({ kind: 'level', level: value })

describe('the sentence of a cut', () => {
  // each written by hand from the rule: the dog's own side, the place, the millimetres
  it.each<[string, Answers, string]>([
    ['one side longer', { 'foreleg-length': pair(46, 35) }, 'Left foreleg is 11 mm longer than the right at half height: take off 11 mm.'],
    ['the other side', { 'foreleg-length': pair(35, 46) }, 'Right foreleg is 11 mm longer than the left at half height: take off 11 mm.'],
    [
      'both longer',
      { 'foreleg-length': pair(47, 45) },
      'Foreleg is long on both sides at half height: take 12 mm off the left and 10 mm off the right.'
    ],
    [
      'a side that is not compared',
      { 'back-length': pair(7, 3.2) },
      'Left back is 3.8 mm too long one hand behind the withers: take off 4 mm.'
    ],
    ['a single length', { 'beard-length': { whole: mm(75) } }, 'Beard is 20 mm too long at the chin: take off 20 mm.'],
    [
      'a line that is not straight',
      { 'skirt-line': { left: mm(9), right: mm(1) } },
      'Left side. Skirt line leaves the straight by 9 mm: comb down and cut one straight line, elbow to tuck-up.'
    ],
    [
      'a judged shape',
      { 'rear-triangle': { whole: level(1) } },
      'Rear triangle: hint of a triangle on one leg: set the triangle, then take the hair on the point of the hock.'
    ],
    [
      'a judged pair names its side',
      { 'fore-feet': { left: level(4), right: level(1) } },
      'Fore feet: flat in front (right fore foot): foot up, comb up, round the edge.'
    ]
  ])('%s', (_, answers, sentence) => expect(mend(answers).mend[0].say).toBe(sentence))

  it.each<[string, Answers, string]>([
    ['short on both sides', { 'foreleg-length': pair(20, 20) }, 'Left foreleg is 15 mm short at half height: leave it longer next time.'],
    [
      'a single length that is short',
      { 'tail-length': { whole: mm(1) } },
      'Tail is 3 mm short on the upper side: leave it longer next time.'
    ],
    ['handling', { 'h-chin': { whole: level(1) } }, 'Chin hold: tongue not barred. Next time: cup the jaw, thumb before the lip.']
  ])('waits: %s', (_, answers, sentence) => {
    const result = mend(answers)
    expect(result.mend).toEqual([])
    expect(result.nextTime).toEqual([sentence])
  })

  it('brings the longer side to the shorter one only as far as it gains', () => {
    const [item] = mend({ 'skirt-length': pair(33, 45) }).mend
    expect(item.say).toMatch(/^Left skirt is 12 mm short behind the elbow: leave it; bring the right side to \d+(\.5)? mm\.$/)
    const to = Number(/to ([\d.]+) mm/.exec(item.say)![1])
    expect(to).toBeGreaterThan(33)
    expect(to).toBeLessThan(45)
  })

  it.each<[BurnPlace['side'], boolean]>([
    ['left', false],
    ['both', false],
    ['right', true]
  ])('a burn on the %s side: a cut on the left is %s', (side, cuts) => {
    const result = mend({ 'cheek-length': pair(7, 3.2) }, [{ region: 'cheek', side }])
    expect(result.mend.length > 0).toBe(cuts)
    if (!cuts)
      expect(result.nextTime[0]).toBe(
        'Left cheek is 3.8 mm too long at the widest part of the face, but the dog was burned here before: leave it, never go shorter.'
      )
  })

  it('a burn keeps the shape from being cut there as well', () => {
    const result = mend({ 'beard-shape': { whole: level(1) } }, [{ region: 'beard', side: 'both' }])
    expect(result.mend).toEqual([])
    expect(result.nextTime[0]).toContain('never go shorter')
  })
})

describe('the cut that gains most', () => {
  const length = { targetMm: 35, band: [29, 41] as const, limit: [17, 53] as const }
  const compared = { weight: 3, band: [-5, 5] as const, limit: [-15, 15] as const }
  const value = fc.double({ min: 17, max: 60, noNaN: true })

  // Invariant: no other pair of cuts on the half-millimetre grid is worth more
  it('is never beaten by another pair of cuts', () => {
    const worth = (a: number, b: number) =>
      2 * shareOfMarks(a, length.band, length.limit) +
      2 * shareOfMarks(b, length.band, length.limit) +
      3 * shareOfMarks(a - b, compared.band, compared.limit)
    const onGrid = (half: number, most: number) => Math.min(half, Math.floor(most * 2)) / 2
    let tried = 0
    fc.assert(
      fc.property(value, value, fc.nat(40), fc.nat(40), (left, right, i, j) => {
        const sides = [left, right].map((v) => ({ value: v, weight: 2, burned: false }))
        const { gain } = bestCuts(
          sides.map((side) => ({ ...length, ...side })),
          compared
        )
        const other = worth(left - onGrid(i, left), right - onGrid(j, right)) - worth(left, right)
        expect(gain).toBeGreaterThanOrEqual(other - 1e-9)
        tried++
      }),
      { numRuns: 300 }
    )
    expect(tried).toBeGreaterThanOrEqual(300)
  })

  it('goes to the target, not to the edge of the band', () => {
    const { cuts } = bestCuts([{ ...length, value: 45, weight: 2, burned: false }], null)
    expect(45 - cuts[0]).toBe(35)
  })

  it('cuts nothing that is short already', () => {
    expect(bestCuts([{ ...length, value: 20, weight: 2, burned: false }], null).cuts).toEqual([0])
  })
})

describe('places and sides', () => {
  it('are the dog’s own, in plain words', () => {
    expect(sayPlace(criterion('foreleg-length'), 'left')).toBe('Left foreleg')
    expect(sayPlace(criterion('rear-length'), 'right')).toBe('Right lower rear leg')
    expect(sayPlace(criterion('beard-length'), 'whole')).toBe('Beard')
  })

  it('are asked left and right for pairs, once for what is single, never for what is computed', () => {
    expect(sidesOf(criterion('foreleg-length').how)).toEqual(['left', 'right'])
    expect(sidesOf(criterion('beard-length').how)).toEqual(['whole'])
    const computed = standard.criteria.filter((candidate) => candidate.how.kind === 'difference')
    expect(computed.map((candidate) => candidate.id)).toEqual(['skirt-pair', 'foreleg-pair', 'brow-pair', 'rear-pair'])
  })
})

describe('praise', () => {
  it('prefers what was measured to what was judged, and says nothing before anything is right', () => {
    expect(mend({ 'foreleg-length': pair(35, 35), tracks: { whole: level(4) } }).praise).toBe(criterion('foreleg-length').praise)
    expect(mend({ tracks: { whole: level(4) } }).praise).toBe(criterion('tracks').praise)
    expect(mend({ tracks: { whole: level(0) } }).praise).toBeNull()
    expect(mend({}).praise).toBeNull()
  })

  it('takes a look only when nothing better is known', () => {
    const look = { kind: 'asItShouldBe' as const }
    expect(mend({ 'ribs-length': { left: look, right: look } }).praise).toBe(criterion('ribs-length').praise)
  })
})
