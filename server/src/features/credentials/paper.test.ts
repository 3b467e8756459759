// The paper as an employer holds it: its words read back from the PDF, its square read back from a picture of the page.
import jsQR from 'jsqr'
import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import sharp from 'sharp'
import { beforeAll, describe, expect, it } from 'vitest'
import { ensureProgram } from '../../../../scripts/machine.mjs'
import { pdfOf } from '../records'
import { linesOf, sealSvg } from './badge'
import { paperDocument, type Paper } from './paper'

const PAPER: Paper = {
  ...{
    number: '26-001',
    school: 'Ferrin Quay',
    holder: 'Łucja Ñandú',
    name: 'Scissoring',
    claim: 'scissors a leg to a cylinder',
    version: 2
  },
  ...{ issuedOn: '2026-04-14', validUntil: '2027-04-14', code: '7K3Q9-F2H41', fingerprint: '592F-07FB-C37F-1263-F65E', trail: '6c07-8cc5' },
  signers: [
    { name: 'Ruben Castell', role: 'instructor', onDate: '2026-04-13' },
    { name: 'Ottilie Marsh', role: 'lead', onDate: '2026-04-14' }
  ],
  checkUrl: 'https://school.example/check/26-001/7K3Q9-F2H41',
  evidence: null
}
const pdf = (change: Partial<Paper> = {}, language = 'en-GB') => pdfOf(paperDocument({ ...PAPER, ...change }, language))

async function pagesOf(bytes: Uint8Array): Promise<string[]> {
  const document = await getDocument({ data: new Uint8Array(bytes), useSystemFonts: false, verbosity: 0 }).promise
  const pages: string[] = []
  for (let i = 1; i <= document.numPages; i++) {
    const { items } = await (await document.getPage(i)).getTextContent()
    pages.push(
      items
        .map((item) => ('str' in item ? item.str : ''))
        .join(' ')
        .replace(/\s+/g, ' ')
    )
  }
  return pages
}

/** What the square on the first page says; null where there is none. */
async function squareOf(bytes: Uint8Array): Promise<string | null> {
  const folder = mkdtempSync(join(tmpdir(), 'peen-paper-'))
  try {
    writeFileSync(join(folder, 'paper.pdf'), bytes)
    execFileSync('/usr/bin/pdftoppm', [
      '-r',
      '150',
      '-f',
      '1',
      '-l',
      '1',
      '-png',
      '-singlefile',
      join(folder, 'paper.pdf'),
      join(folder, 'page')
    ])
    const { data, info } = await sharp(readFileSync(join(folder, 'page.png')))
      .ensureAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true })
    return jsQR(new Uint8ClampedArray(data), info.width, info.height)?.data ?? null
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}

beforeAll(() => ensureProgram(['/usr/bin/pdftoppm'], 'poppler-utils'))

describe('a certificate on paper', () => {
  it('says what was certified, by whom and until when, on one page', async () => {
    const [page, ...more] = await pagesOf(await pdf())
    expect(more).toEqual([])
    for (const words of [
      'Łucja Ñandú',
      'scissors a leg to a cylinder.',
      '26-001',
      '14 April 2026',
      '14 April 2027',
      'Ottilie Marsh, lead assessor',
      'Ruben Castell, instructor',
      '7K3Q9-F2H41',
      '592F-07FB-C37F-1263-F65E'
    ])
      expect(page).toContain(words)
    expect((await pagesOf(await pdf({ validUntil: null })))[0]).toContain('No end date')
    expect((await pagesOf(await pdf({}, 'en-US')))[0]).toContain('April 14, 2026')
  })

  it('has a square that leads to its check, and none where it would lead nowhere', async () => {
    expect(await squareOf(await pdf())).toBe(PAPER.checkUrl)
    const without = await pdf({ checkUrl: null })
    expect(await squareOf(without)).toBeNull()
    expect((await pagesOf(without))[0]).toContain('This school has no address on the internet.')
  })

  it('carries its evidence on a page of its own, where that is wanted', async () => {
    const evidence = {
      asOf: '2026-04-20',
      rules: [{ name: 'Two trims at 75 or more', evidence: 'Wren, 84; Flint, 79', onDate: '2026-04-10' }],
      techniques: [{ name: 'Cylinder leg', readyOn: '2026-02-02', clean: 21, attempts: 24 }],
      trims: [{ trim: 'Scissored puppy trim', onDate: '2026-04-10', assessor: 'Mira Dahl', mark: 84.2, low: 80.1, high: 88 }]
    }
    const [front, back] = await pagesOf(await pdf({ evidence }))
    expect(front).not.toContain('Wren')
    for (const words of ['84 (80 to 88)', 'Mira Dahl', 'Wren, 84; Flint, 79', 'Cylinder leg', '21 of 24', '2 February 2026'])
      expect(back).toContain(words)
    const [, bare] = await pagesOf(await pdf({ evidence: { ...evidence, techniques: [] } }))
    expect(bare).not.toContain('Reached ready')
  })
})

describe('the badge', () => {
  it('breaks its name between words, and draws every letter as a path', () => {
    expect(linesOf('Bearded terrier, pet trim')).toEqual(['Bearded terrier,', 'pet trim'])
    expect(linesOf('Scissoring')).toEqual(['Scissoring'])
    expect(sealSvg('A & B <Quay>', 'Ferrin Quay')).not.toMatch(/<text|&|Quay/)
  })
})
