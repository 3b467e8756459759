// Apprentices, what they can do, and certificates.
import type { CertificateBook, DryRunRow } from '../evidence/certificates'
import type { FigureView } from '../floor/day'
import type { AnswerView } from '../evidence/questions'
import type { RecordFile } from '../evidence/records'
import type { ApprenticeSummary, ApprenticeView, FindingRow, FindingView } from '../evidence/apprentice-views'
import type { WallView } from '../evidence/wall'
import { ALL, ANYONE, get, LEAD, post, put, STAFF } from './endpoint'

export const evidenceEndpoints = {
  apprentices: get('/apprentices', ALL, 'Every apprentice at a glance; an apprentice reads their own line.'),
  apprentice: get('/apprentices/:id', ALL, 'An apprentice: charts, the way to each certificate, what to practise next.'),
  liftHold: post('/apprentices/:id/lift-hold', LEAD, 'Lifts a hold on a technique, with a reason.', {
    needs: 'password',
    problems: ['notHeld']
  }),
  figures: get('/apprentices/:id/figures', ALL, 'Practice on stand-in figures.'),
  addFigure: post('/apprentices/:id/figures', ALL, 'Records practice on a stand-in figure.', {
    problems: ['retired']
  }),
  removeFigure: post('/figures/:id/remove', ALL, 'Removes a record of practice on a figure.'),
  answers: get('/apprentices/:id/answers', ALL, 'Questions that were asked aloud.'),
  keepAnswer: post('/apprentices/:id/answers', STAFF, 'Keeps how a question was answered.'),
  wall: get('/wall', STAFF, 'Every apprentice by every technique.'),
  record: get('/apprentices/:id/record', ALL, 'Everything on an apprentice’s file, as JSON.'),
  logbook: get('/apprentices/:id/logbook', ALL, 'An apprentice’s logbook, to print.', { gives: 'pdf' }),
  recordTable: get('/records/:table.csv', STAFF, 'A table for a spreadsheet.', { gives: 'csv' }),
  recordSchema: get('/schemas/record', ANYONE, 'The JSON Schema of an apprentice’s file.'),
  openapi: get('/openapi.json', ANYONE, 'This table as OpenAPI 3.1.'),
  certificates: get('/certificates', STAFF, 'The certificates and their rules of evidence.'),
  dryRun: post('/certificates/dry-run', STAFF, 'Tries rules on the cohort; nothing is kept.'),
  useCertificate: put('/certificates/:certificate', LEAD, 'Puts rules into use as a version that never changes.', {
    needs: 'password',
    problems: ['versionTaken']
  }),
  retireCertificate: post('/certificates/:certificate/retire', LEAD, 'Stops offering a certificate.'),
  giveAgain: post('/certificates/:certificate/give-again', LEAD, 'Offers a retired certificate again.'),
  keepStandingRules: put('/school/charts', LEAD, 'Sets the numbers by which charts are read.'),
  findings: get('/findings', STAFF, 'Who has met which certificate’s rules, and who is close.'),
  draftFinding: post('/findings', STAFF, 'Begins a certificate for an apprentice.'),
  finding: get('/findings/:id', ALL, 'A certificate with its evidence and signatures.'),
  signFinding: post('/findings/:id/sign', STAFF, 'Signs a certificate.', { needs: 'password', problems: ['decided', 'evidenceChanged'] }),
  declineFinding: post('/findings/:id/decline', LEAD, 'Declines a certificate, with a reason.', {
    needs: 'password',
    problems: ['decided']
  })
}

export type EvidenceReplies = {
  readonly apprentices: readonly ApprenticeSummary[]
  readonly apprentice: ApprenticeView
  readonly liftHold: void
  readonly figures: readonly FigureView[]
  readonly addFigure: readonly FigureView[]
  readonly removeFigure: readonly FigureView[]
  readonly answers: readonly AnswerView[]
  readonly keepAnswer: { readonly id: string }
  readonly wall: WallView
  readonly record: RecordFile
  readonly logbook: never
  readonly recordTable: never
  readonly recordSchema: object
  readonly openapi: object
  readonly certificates: CertificateBook
  readonly dryRun: readonly DryRunRow[]
  readonly useCertificate: { readonly version: number }
  readonly retireCertificate: void
  readonly giveAgain: void
  readonly keepStandingRules: void
  readonly findings: readonly FindingRow[]
  readonly draftFinding: { readonly id: string }
  readonly finding: FindingView
  readonly signFinding: { readonly status: string }
  readonly declineFinding: void
}
