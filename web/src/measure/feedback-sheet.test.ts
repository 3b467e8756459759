// The feedback sheet as it is laid out, without a browser to paint it.
import { standards } from '@peen/content'
import sharp from 'sharp'
import { describe, expect, it } from 'vitest'
import { cutTo } from './paint'
import { feedbackDocument, type Feedback } from './feedback-sheet'

const [standard] = standards
const item = (say: string) => ({ criterionId: 'c', side: 'whole', region: 'back', gain: 2, cutMm: null, say }) as never
const sheet: Feedback = {
  dog: { name: 'Thistle' } as never,
  standard,
  apprentice: { id: 't', role: 'apprentice', givenName: 'Tove', familyName: 'Lind' },
  assessor: { id: 'o', role: 'lead', givenName: 'Ottilie', familyName: 'Brandt' },
  onDate: '2026-04-14',
  result: { praise: 'The topline is straight.', mend: [item('Left cheek: take 6 mm off.')], nextTime: ['Comb up the ears first.'] },
  pictures: [
    { seen: 'head', image: 'data:image/jpeg;base64,AAAA', says: [{ letter: 'A', text: 'The head is flat on top.' }] },
    { seen: 'left', image: null, says: [] }
  ]
}
/** Every text of a document, in its order. */
const textsOf = (value: unknown): string[] =>
  typeof value === 'string'
    ? [value]
    : Array.isArray(value)
      ? value.flatMap(textsOf)
      : typeof value === 'object' && value !== null
        ? Object.entries(value).flatMap(([key, one]) => (['content', 'text', 'stack', 'ol', 'columns'].includes(key) ? textsOf(one) : []))
        : []

describe('a feedback sheet', () => {
  it('says what was done well, what to put right, what each picture shows and what to do next time', () => {
    const texts = textsOf(feedbackDocument(sheet))
    for (const text of [
      ...['Thistle: ' + standard.name, 'For Tove Lind, from Ottilie Brandt, 14 April 2026', 'The topline is straight.'],
      ...['Left cheek: take 6 mm off.', 'A  ', 'The head is flat on top.', 'Nothing here differs from the trim.'],
      ...['Comb up the ears first.']
    ])
      expect(texts).toContain(text)
    expect(texts.at(-1)).toMatch(/^Hair cannot be put back/)
  })

  it('holds no mark, and nothing of the grade sheet before its mark may be seen', () => {
    const texts = textsOf(feedbackDocument({ ...sheet, result: null })).join(' ')
    expect(texts).not.toMatch(/topline is straight|6 mm off|ears first|marks?\b/)
    expect(texts).toContain('The head is flat on top.')
  })

  it.each([
    [1, 1],
    [2, 1],
    [3, 1],
    [1, 0.5],
    [2, 0.5],
    [3, 0.5]
  ])('is one page with %i pictures, also with all that it can hold: %f of it', async (n, share) => {
    // prettier-ignore
    // the longest sentences that core says, three of each kind, and pictures as high as they are wide
    const long = 'The skirt slopes: it rises toward the tail by 14 degrees, and 13 degrees up were planned. Take the rear end back.'
    const mend =
      'Right foreleg is 16.3 mm longer than the left: take 22.5 mm off the right and 6.5 mm off the left, and comb up again between.'
    const image = `data:image/jpeg;base64,${(
      await sharp({ create: { width: 500, height: 490, channels: 3, background: '#777' } })
        .jpeg()
        .toBuffer()
    ).toString('base64')}`
    const pictures = (['head', 'left', 'right'] as const).slice(0, n).map((seen) => ({ seen, image, says: ['A', 'B', 'C'].map((letter) => ({ letter, text: long })) })) // prettier-ignore
    // as many sentences as there can be; half as long, they come just under the limit of a roomy page
    const cut = (text: string) => text.slice(0, Math.floor(text.length * (share === 1 ? 1 : 0.47)))
    const result = { praise: cut(long), mend: [mend, mend, mend].map((text) => item(cut(text))), nextTime: [long, long, long].map(cut) }
    const [{ default: pdfMake }, { default: fonts }] = await Promise.all([
      import('pdfmake/build/pdfmake'),
      import('pdfmake/build/vfs_fonts')
    ])
    pdfMake.addVirtualFileSystem(fonts)
    let pages = 0
    const laidOut = feedbackDocument({ ...sheet, result, pictures })
    await pdfMake.createPdf({ ...laidOut, footer: (_current: number, count: number) => ((pages = count), '') }).getBlob()
    expect(pages).toBe(1)
  })

  it('without pictures has no heading for them', () => {
    expect(textsOf(feedbackDocument({ ...sheet, pictures: [] }))).not.toContain('On the pictures')
  })
})

describe('the part of a photograph on paper', () => {
  it('holds the dog with some room around it, and no more than there is', () => {
    expect(cutTo([[400, 300], [1400, 900]], 2000, 1500)).toEqual([340, 240, 1120, 720]) // prettier-ignore
    expect(cutTo([[10, 20], [1990, 1490]], 2000, 1500)).toEqual([0, 0, 2000, 1500]) // prettier-ignore
  })
})
