import type { ApprenticeSummary, ApprenticeView, LiftHold, Me } from '@peen/contract'
import type { Certificate } from '@peen/core/certify'
import { daysBetween, type State } from '@peen/core/competency'
import { and, asc, eq } from 'drizzle-orm'
import { v7 } from 'uuid'
import { tables } from '../../db'
import { refuse, type Services } from '../../http'
import { certificatesOf } from '../certificates'
import { findingsFor } from '../evidence'
import { personById, personName } from '../people'
import { standingsOf, techniquesNow, type TechniqueNow, type TechniqueRecord } from '../standings'
import { nextFor } from './next'

/** Every apprentice with the counts of their states; an apprentice sees only names and own counts. */
export async function apprenticeList({ db, clock }: Services, actor: Me): Promise<ApprenticeSummary[]> {
  const today = await clock.today()
  const rows = await db
    .select()
    .from(tables.people)
    .where(and(eq(tables.people.role, 'apprentice'), eq(tables.people.active, true)))
    .orderBy(asc(tables.people.cohort), asc(tables.people.givenName))
  const own = rows.filter((row) => actor.role !== 'apprentice' || row.id === actor.id)
  const everyone = await techniquesNow(
    db,
    own.map(({ id }) => id),
    today
  )
  return own.map((row) => {
    const standings = everyone.get(row.id)!
    const count = (state: State) => [...standings.values()].filter((one) => one.state === state).length
    const lastOn =
      [...standings.values()]
        .map((one) => one.lastOn ?? '')
        .sort()
        .at(-1) || null
    const summary = {
      competent: count('competent'),
      ready: count('ready'),
      held: count('held'),
      slipping: count('slipping'),
      lapsed: count('lapsed')
    }
    return { ...personName(row), cohort: row.cohort, ...summary, lastOn, say: sayWhere(row.givenName, standings) }
  })
}

/** One apprentice: where they stand, the way to each certificate, what to practise next. */
export async function apprenticeView({ db, clock }: Services, actor: Me, id: string): Promise<ApprenticeView> {
  if (actor.role === 'apprentice' && actor.id !== id) throw refuse.forbidden('Apprentices can read only their own records.')
  const person = await personById(db, id)
  if (person.role !== 'apprentice') throw refuse.notFound('This apprentice')
  const today = await clock.today()
  const standings = await standingsOf(db, id, today)
  const todayVisit = (
    await db
      .select({ id: tables.visits.id })
      .from(tables.visits)
      .where(and(eq(tables.visits.apprenticeId, id), eq(tables.visits.onDate, today)))
  )[0]
  const certificates = await certificatesOf(db)
  const findings = await findingsFor(
    db,
    certificates.map((certificate) => ({ certificate, apprenticeId: id })),
    today
  )
  const drafted = await db
    .select()
    .from(tables.findings)
    .where(eq(tables.findings.apprenticeId, id))
    .orderBy(asc(tables.findings.draftedAt))
  const progress = certificates.map((certificate, i) => ({ certificate, finding: findings[i] }))
  return {
    person: personName(person),
    cohort: person.cohort,
    week: Math.max(1, Math.ceil(daysBetween(person.startedOn, today) / 7)),
    handed: person.handed,
    say: actor.id === id ? sayToOwn(saidOf(standings)) : sayWhere(person.givenName, saidOf(standings)),
    techniques: [...standings].filter(([one, { attempts }]) => attempts.length > 0 || isWanted(certificates, one)).map(toldOf),
    certificates: progress.map(({ certificate, finding }) => ({
      certificateId: certificate.id,
      name: certificate.name,
      rules: finding.rules,
      say: finding.say,
      ready: finding.ready,
      ...stateOfCertificate(
        drafted.filter((row) => row.certificateId === certificate.id),
        today
      )
    })),
    next: await nextFor(db, standings, progress, today),
    today: todayVisit?.id ?? null
  }
}

/** The latest finding that was neither declined nor revoked, and whether what it issued still stands. */
function stateOfCertificate(rows: readonly (typeof tables.findings.$inferSelect)[], today: string) {
  const last = rows.findLast((row) => row.status !== 'declined' && row.status !== 'revoked') ?? null
  const issued = rows.findLast((row) => row.status === 'issued') ?? null
  const ranOut = issued?.validUntil != null && issued.validUntil < today
  return { findingId: last?.id ?? null, issued: issued !== null, validUntil: issued?.validUntil ?? null, ranOut }
}

/** Techniques that a certificate asks for are shown before they are begun; those of the first pattern at least. */
const isWanted = ([first]: readonly Certificate[], id: string) =>
  first?.rules.some((rule) => rule.kind === 'techniques' && rule.techniques.includes(id)) ?? false

const toldOf = ([techniqueId, { standing, attempts }]: [string, TechniqueRecord]) => ({ techniqueId, standing, attempts })

/** What a sentence says of a technique. */
type Said = Pick<TechniqueNow, 'technique' | 'state' | 'score' | 'toGo'>
const saidOf = (standings: ReadonlyMap<string, TechniqueRecord>): ReadonlyMap<string, Said> =>
  new Map(
    [...standings].map(([id, { technique, standing }]) => [
      id,
      { technique, state: standing.state, score: standing.score, toGo: standing.limit - standing.score }
    ])
  )

function sayWhere(name: string, standings: ReadonlyMap<string, Said>): string {
  const of = (state: State) => [...standings].filter(([, record]) => record.state === state)
  const competent = of('competent').length
  const nearest = nearestOf(standings)
  const first =
    competent === 0
      ? `${name} is **not yet competent in a technique**`
      : `${name} is **competent in ${competent} technique${competent === 1 ? '' : 's'}**`
  const second = nearest ? `, ${nearest.toGo} clean short of ready in ${nearest.name}` : ''
  const trouble = [
    ...of('held').map(([, { technique }]) => `${technique.name} is on hold.`),
    ...of('slipping').map(([, { technique }]) => `${technique.name} is slipping.`)
  ].slice(0, 2)
  const lapsed = of('lapsed').length
  const last = lapsed > 0 ? [`${lapsed} ${lapsed === 1 ? 'has' : 'have'} lapsed.`] : []
  return [`${first}${second}.`, ...trouble, ...last].join(' ')
}

/** The technique that is nearest to its signal, where one has begun to rise. */
function nearestOf(standings: ReadonlyMap<string, Said>): { readonly name: string; readonly toGo: number } | null {
  const [best] = [...standings.values()].filter(({ state }) => state === 'practising').sort((a, b) => a.toGo - b.toGo)
  return best && best.score > 0 ? { name: best.technique.name.toLowerCase(), toGo: best.toGo } : null
}

/** The same to the apprentice: what is true, what it is for, and what to do about it. */
function sayToOwn(standings: ReadonlyMap<string, Said>): string {
  const of = (state: State) =>
    [...standings.values()].filter((one) => one.state === state).map(({ technique }) => technique.name.toLowerCase())
  const [competent, ready, held, slipping, lapsed] = [of('competent'), of('ready'), of('held'), of('slipping'), of('lapsed')]
  const nearest = nearestOf(standings)
  return [
    competent.length > 0
      ? `**${competent.length} ${competent.length === 1 ? 'technique is' : 'techniques are'} yours.**`
      : '**Your first technique is on its way.** Take as many dogs as you need.',
    ...(ready.length > 0 ? [`${ready.length} more ${ready.length === 1 ? 'waits' : 'wait'} only a graded trim.`] : []),
    ...(nearest ? [`Nearest is ${nearest.name}: ${nearest.toGo} clean to go.`] : []),
    ...(held.length > 0
      ? [
          `Something went wrong with ${held.join(' and ')}, so it is on hold until a lead assessor has talked it over with you. That keeps the dogs and you safe.`
        ]
      : []),
    ...(slipping.length === 1 ? [`You had ${slipping[0]} and it is slipping; practice brings it back.`] : []),
    ...(slipping.length > 1 ? [`You had ${slipping.join(' and ')} and they are slipping; practice brings them back.`] : []),
    ...(lapsed.length > 0
      ? [`${lapsed.length === 1 ? 'One has' : `${lapsed.length} have`} not been done for a while: one try each brings them back.`]
      : [])
  ]
    .map((sentence) => sentence[0].toUpperCase() + sentence.slice(1))
    .join(' ')
}

/** A lead lifts a hold, with a reason. */
export async function liftHold({ db, clock }: Services, actor: Me, apprenticeId: string, body: LiftHold): Promise<void> {
  const today = await clock.today()
  const record = (await standingsOf(db, apprenticeId, today)).get(body.techniqueId)
  if (!record) throw refuse.notFound(`The technique ${body.techniqueId}`)
  if (record.standing.state !== 'held') throw refuse.conflict('notHeld', 'This technique is not on hold.')
  await db
    .insert(tables.holdLifts)
    .values({ id: v7(), apprenticeId, techniqueId: body.techniqueId, by: actor.id, reason: body.reason, onDate: today })
}
