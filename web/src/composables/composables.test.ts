import { standards } from '@peen/content'
import { gradeResult, type Answers, type PartResult } from '@peen/core/grade'
import { describe, expect, it } from 'vitest'
import { GLYPHS } from '../components/glyphs'
import { budgetFor, placeDog } from '../figure/place'
import { foundLengths, stationNotes } from '../grading/gradePlate'
import { glyphOfPart, OUTCOME_WORDS, STATION_WORDS, wordOfParts } from './outcomes'
import { boldParts, sayDate, sayMoment } from './words'

const standard = standards[0]
const mm = (value: number) => ({ kind: 'readings' as const, mm: [value, value, value] })
const grade = (answers: Answers) => gradeResult(standard, { answers, critical: [], burns: [], seedText: 'x' })
const numbers = new Map(standard.criteria.map((criterion, i) => [criterion.id, i + 1]))

describe('dates and words', () => {
  it('are said short, with the year only when it is another', () => {
    expect(sayDate('2026-04-09', '2026-04-14T09:42:00.000Z')).toBe('9 Apr')
    expect(sayDate('2025-11-03', '2026-04-14')).toBe('3 Nov 2025')
    expect(sayDate(null)).toBe('')
  })

  // Ref: British Summer Time is an hour ahead of UTC in April
  it('give the moment in the school’s own zone', () => {
    expect(sayMoment('2026-04-14T09:42:00.000Z', 'Europe/London')).toBe('Tue 14 April, 10:42')
    expect(sayMoment('2026-01-14T00:05:00.000Z', 'Europe/London')).toBe('Wed 14 January, 00:05')
  })

  it('split bold parts and never pass markup through', () => {
    expect(boldParts('Go to **Ines, table 6**. She waits')).toEqual([
      { text: 'Go to ', bold: false },
      { text: 'Ines, table 6', bold: true },
      { text: '. She waits', bold: false }
    ])
    expect(boldParts('<b>x</b>')).toEqual([{ text: '<b>x</b>', bold: false }])
  })
})

describe('answers in shape and word', () => {
  const parts = (answers: Answers, id: string) => grade(answers).parts.filter((part) => part.criterionId === id)

  it.each<[string, Answers, string, string]>([
    ['not answered', {}, 'not answered', 'missing'],
    ['measured right', { 'skirt-length': { left: mm(45), right: mm(45) } }, 'meets', 'meets'],
    ['one side long', { 'skirt-length': { left: mm(45), right: mm(60) } }, 'long, right', 'long'],
    ['one side short', { 'skirt-length': { left: mm(30), right: mm(45) } }, 'short, left', 'short'],
    ['not to be told', { 'skirt-length': { left: mm(45), right: mm(51) } }, 'cannot tell, right', 'cannotTell'],
    [
      'like this on arrival',
      { 'skirt-length': { left: { kind: 'excused', reason: 'a mat' }, right: mm(45) } },
      'like this on arrival, left',
      'excused'
    ],
    ['only one side answered', { 'skirt-length': { left: mm(45) } }, 'not answered, right', 'missing']
  ])('%s', (_, answers, word, glyph) => {
    const found = wordOfParts(parts(answers, 'skirt-length'))
    expect(found.word).toBe(word)
    expect(glyphOfPart(found.part)).toBe(glyph)
  })

  it('a difference shows the side that is longer: it alone can be cut', () => {
    const [part] = parts({ 'skirt-length': { left: mm(45), right: mm(60) } }, 'skirt-pair')
    expect(part.say).toBe('right 15 mm longer')
    expect(glyphOfPart(part)).toBe('long')
  })

  it('every shape has a drawing, every station and outcome a word', () => {
    for (const name of ['meets', 'fails', 'cannotTell', 'excused', 'missing', 'long', 'short', 'danger', 'hold', 'saved'] as const)
      expect(GLYPHS[name]).toMatch(/<(path|circle)/)
    expect(Object.values(STATION_WORDS)).toHaveLength(6)
    expect(Object.values(OUTCOME_WORDS).every((word) => word.length > 3)).toBe(true)
  })
})

describe('the plate of a graded dog', () => {
  it('wears what was read on that side, and the plan elsewhere', () => {
    const result = grade({
      'skirt-length': { left: mm(40), right: mm(60) },
      'beard-length': { whole: mm(70) },
      'back-length': { left: mm(9), right: mm(3) }
    })
    const [left, right] = [foundLengths(standard, result, 'left'), foundLengths(standard, result, 'right')]
    expect([left.skirt, right.skirt]).toEqual([40, 60])
    expect([left.beard, right.beard]).toEqual([70, 70])
    expect([left.back, left.loin, left.croup]).toEqual([9, 9, 9])
    expect(left.foreleg).toBe(standard.plan.lengthsMm.foreleg)
    expect(foundLengths(standard, null, 'left')).toMatchObject({ skirt: 45, back: 3.2 })
  })

  it('notes the worst first, one for each region, handling never', () => {
    const level = (value: number) => ({ whole: { kind: 'level' as const, level: value } })
    const result = grade({
      'skirt-length': { left: mm(45), right: mm(75) },
      'rear-triangle': level(3),
      'h-legs': level(0),
      tracks: level(4)
    })
    const notes = stationNotes(standard, result, null, numbers)
    expect(notes[0].region).toBe('skirt')
    expect(new Set(notes.map((note) => note.region)).size).toBe(notes.length)
    expect(notes.map((note) => note.id)).not.toContain('h-legs')
    expect(stationNotes(standard, result, 'above', numbers).map((note) => note.id)).toEqual(['tracks'])
    expect(stationNotes(standard, null, null, numbers)).toEqual([])
  })

  it('keeps notes short enough for the margin', () => {
    const result = grade(
      Object.fromEntries(
        standard.criteria
          .filter((c) => c.how.kind === 'judged' && c.how.sides === 'single')
          .map((c) => [c.id, { whole: { kind: 'level' as const, level: 4 } }])
      )
    )
    const notes = stationNotes(standard, result, null, numbers)
    expect(notes.length).toBeGreaterThan(3)
    expect(notes.length).toBeLessThanOrEqual(8)
    for (const note of notes) expect(note.lines[0].text.length).toBeLessThanOrEqual(38)
  })
})

describe('the dog in its box', () => {
  const dog = { bodyType: 'bearded', colour: 'pepper', withersMm: 340 }

  it('fits, stands on the lower edge, and is turned over for the right side', () => {
    const left = placeDog(dog, 560, 470, false)
    const right = placeDog(dog, 560, 470, true)
    expect(left.view.scale).toBeGreaterThan(0.8)
    expect(left.groundPx).toBeLessThanOrEqual(470)
    expect(left.groundPx).toBeGreaterThan(455)
    const [x, y] = left.toPx([0, 340])
    expect(right.toPx([0, 340])).toEqual([560 - x, y])
    expect(y).toBeGreaterThan(0)
  })

  it('is larger in a larger box and for a smaller dog', () => {
    expect(placeDog(dog, 900, 700, false).view.scale).toBeGreaterThan(placeDog(dog, 560, 470, false).view.scale)
    expect(placeDog({ ...dog, withersMm: 250 }, 560, 470, false).view.scale).toBeGreaterThan(placeDog(dog, 560, 470, false).view.scale)
  })

  it('gets hairs by its size, within bounds', () => {
    expect(budgetFor(96, 76)).toBe(6000)
    expect(budgetFor(1280, 800)).toBe(60000)
  })
})

// a part by hand, as a guard that words do not depend on more than they show
it('reads a part without its neighbours', () => {
  expect(glyphOfPart({ departure: null, verdict: 'instructor' } as PartResult)).toBe('excused')
})
