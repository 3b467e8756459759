// The certificate on A4 paper; beside it, where the apprentice wants it, the evidence.
import type { Me } from '@peen/contract'
import { fingerprintOf } from '@peen/credential'
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces'
import type { tables } from '../../db'
import type { Services } from '../../http'
import { wordsIn } from '../../words'
import { certificateAt } from '../certificates'
import { fullName, personById } from '../people'
import { inFace, pdfOf } from '../records'
import { schoolRow } from '../school'
import { evidenceOf, type Evidence } from './evidence'
import { checkUrlOf, credentialOf, sayCode, signersOf } from './issue'

type FindingRow = typeof tables.findings.$inferSelect
type Words = ReturnType<typeof wordsIn>

/** Everything that the paper says. Days as yyyy-mm-dd. */
export type Paper = {
  readonly number: string
  readonly school: string
  readonly holder: string
  readonly name: string
  readonly claim: string
  readonly version: number
  readonly issuedOn: string
  readonly validUntil: string | null
  readonly signers: readonly { readonly name: string; readonly role: string; readonly onDate: string }[]
  readonly code: string
  readonly fingerprint: string
  readonly checkUrl: string | null
  readonly trail: string
  /** null: the evidence is left out */
  readonly evidence: Evidence | null
}

const MUTED = '#44545a'
const INK = '#10191c'
const WIDTH = 595 - 2 * 56

const sayDate = (day: string, language: string) =>
  new Intl.DateTimeFormat(language, { dateStyle: 'long', timeZone: 'UTC' }).format(new Date(`${day}T12:00:00Z`))

/** A rule with the teeth of a comb under it. */
const comb = (): Content => ({
  canvas: [
    { type: 'line', x1: 0, y1: 0, x2: WIDTH, y2: 0, lineWidth: 2, lineColor: INK },
    ...Array.from({ length: Math.floor(WIDTH / 7) + 1 }, (_, i) => ({
      ...{ type: 'line' as const, x1: i * 7, y1: 0, x2: i * 7, y2: i % 3 === 0 ? 9 : 6, lineWidth: 0.7, lineColor: MUTED }
    }))
  ],
  margin: [0, 10, 0, 0]
})

const labelled = (label: string, value: Content): Content => ({
  stack: [{ text: label, color: MUTED, fontSize: 10 }, value],
  margin: [0, 0, 0, 12]
})

function front(paper: Paper, t: Words, language: string): Content[] {
  const facts: Content[] = [
    labelled(t('paper.number'), { text: paper.number, bold: true }),
    labelled(t('paper.issuedOn'), { text: sayDate(paper.issuedOn, language), bold: true }),
    labelled(t('paper.validUntil'), { text: paper.validUntil ? sayDate(paper.validUntil, language) : t('paper.forGood'), bold: true })
  ]
  const signers = paper.signers.map(({ name, role, onDate }): Content => ({
    stack: [
      { ...inFace(name), italics: true, fontSize: 19, margin: [0, 8, 0, 2] },
      { canvas: [{ type: 'line', x1: 0, y1: 0, x2: 230, y2: 0, lineWidth: 0.7, lineColor: MUTED }] },
      { ...inFace(`${name}, ${role === 'lead' ? t('paper.lead') : t('paper.instructor')}`), margin: [0, 3, 0, 0] },
      { text: sayDate(onDate, language), color: MUTED }
    ]
  }))
  return [
    { ...inFace(paper.school), bold: true, fontSize: 15 },
    comb(),
    { text: t('paper.ofPractice'), color: MUTED, fontSize: 13, margin: [0, 46, 0, 6] },
    { ...inFace(paper.holder), bold: true, fontSize: 34, lineHeight: 1.05 },
    { ...inFace(`${paper.claim}.`), fontSize: 20, lineHeight: 1.2, margin: [0, 8, 0, 4] },
    { ...inFace(t('paper.version', { name: paper.name, version: paper.version })), color: MUTED, margin: [0, 2, 0, 34] },
    {
      columns: [
        { width: 190, stack: facts },
        { width: '*', stack: [{ text: t('paper.signedBy'), color: MUTED, fontSize: 10 }, ...signers] }
      ]
    }
  ]
}

/** How it is checked, at the foot: a square only where it leads somewhere. */
function checking(paper: Paper, t: Words): Content {
  const codes: Content[] = [
    { text: t('paper.check'), bold: true, fontSize: 13, margin: [0, 0, 0, 3] },
    paper.checkUrl ? t('paper.checkAt', { address: new URL(paper.checkUrl).origin + '/check' }) : t('paper.noAddress'),
    {
      text: [
        { text: `${t('paper.code')} `, color: MUTED },
        { text: paper.code, bold: true }
      ],
      margin: [0, 6, 0, 0]
    },
    {
      text: [
        { text: `${t('paper.fingerprint')} `, color: MUTED },
        { text: paper.fingerprint, bold: true }
      ]
    },
    { text: [{ text: `${t('paper.trail')} `, color: MUTED }, paper.trail] }
  ]
  const square: Content[] = paper.checkUrl ? [{ qr: paper.checkUrl, fit: 104, eccLevel: 'M', foreground: INK }] : []
  return {
    columns: [...square.map((stack) => ({ width: 120, stack: [stack] })), { width: '*', stack: codes }],
    columnGap: 14,
    absolutePosition: { x: 56, y: 640 }
  }
}

/** One part of the evidence as a table; nothing where it has no lines. */
function part(
  title: string,
  widths: readonly (string | number)[],
  head: readonly string[],
  lines: readonly (readonly Content[])[]
): Content[] {
  if (lines.length === 0) return []
  const first = head.map((text) => ({ text, bold: true, color: MUTED }))
  return [
    { text: title, bold: true, fontSize: 12, margin: [0, 18, 0, 4] },
    {
      table: { headerRows: 1, dontBreakRows: true, widths: [...widths], body: [first, ...lines.map((line) => [...line])] as never },
      layout: 'lightHorizontalLines',
      fontSize: 10
    }
  ]
}

function evidencePage({ evidence, number, holder }: Paper, t: Words, language: string): Content[] {
  if (!evidence) return []
  const day = (date: string | null) => (date ? sayDate(date, language) : '')
  const { rules, techniques, trims } = evidence
  return [
    { ...inFace(t('paper.evidenceOf', { number, holder })), bold: true, fontSize: 15, pageBreak: 'before' },
    comb(),
    ...part(
      t('paper.rules'),
      ['*', '*', 92],
      [t('paper.rule'), t('paper.shownBy'), t('paper.since')],
      rules.map((rule) => [inFace(rule.name), inFace(rule.evidence), day(rule.onDate)])
    ),
    ...part(
      t('paper.trims'),
      [92, '*', '*', 96],
      [t('paper.date'), t('paper.trim'), t('paper.assessor'), t('paper.mark')],
      trims.map((one) => [
        day(one.onDate),
        inFace(one.trim),
        inFace(one.assessor),
        t('paper.markBetween', { mark: Math.round(one.mark), low: Math.round(one.low), high: Math.round(one.high) })
      ])
    ),
    ...part(
      t('paper.techniquesOn', { date: day(evidence.asOf) }),
      ['*', 120, 92],
      [t('paper.technique'), t('paper.attempts'), t('paper.ready')],
      techniques.map((one) => [inFace(one.name), t('paper.cleanOf', { clean: one.clean, attempts: one.attempts }), day(one.readyOn)])
    ),
    { text: t('paper.intervals'), color: MUTED, fontSize: 9, margin: [0, 14, 0, 0] }
  ]
}

export function paperDocument(paper: Paper, language: string): TDocumentDefinitions {
  const t = wordsIn(language)
  return {
    pageSize: 'A4',
    pageMargins: [56, 60, 56, 60],
    info: { title: `${t('paper.certificate')} ${paper.number}`, author: paper.school, creator: 'Peen' },
    defaultStyle: { font: 'Roboto', fontSize: 11, lineHeight: 1.2, color: INK },
    footer: (page, pages) => ({
      margin: [56, 6, 56, 0],
      fontSize: 9,
      color: MUTED,
      columns: [
        { text: t('paper.covers'), width: '*' },
        { text: pages > 1 ? t('paper.pageOf', { page, pages }) : '', alignment: 'right', width: 60 }
      ]
    }),
    content: [...front(paper, t, language), checking(paper, t), ...evidencePage(paper, t, language)]
  }
}

/** The paper of an issued certificate. `withEvidence`: the rules with what shows them, on a page of their own. */
export async function paperPdf(services: Services, finding: FindingRow, actor: Me, withEvidence: boolean): Promise<Buffer> {
  const { db, publicUrl } = services
  const { code, publicKey, issuedAt } = await credentialOf(services, finding.id)
  const certificate = await certificateAt(db, finding.certificateId, finding.certificateVersion)
  const signers = await signersOf(db, finding.id)
  const issuedOn = signers.at(-1)?.onDate ?? issuedAt.toISOString().slice(0, 10)
  const paper: Paper = {
    number: finding.number,
    school: (await schoolRow(db)).name,
    holder: fullName(await personById(db, finding.apprenticeId)),
    name: certificate.name,
    claim: certificate.claim,
    version: certificate.version,
    issuedOn,
    validUntil: finding.validUntil,
    signers,
    code: sayCode(code),
    fingerprint: fingerprintOf(publicKey),
    checkUrl: checkUrlOf(publicUrl, finding, code),
    trail: (finding.auditHash ?? '').slice(0, 16).replace(/.{4}(?=.)/g, '$&-'),
    evidence: withEvidence ? await evidenceOf(services, actor, finding, { certificate, issuedOn }) : null
  }
  return pdfOf(paperDocument(paper, actor.settings.language))
}
