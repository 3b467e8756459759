import { certificates } from '@peen/content'
import type { ApprenticeSummary, ApprenticeView, LiftHold, Me, PractiseNext } from '@peen/contract'
import { daysBetween, type State } from '@peen/core/competency'
import { upperFirst } from '@peen/core/units'
import { and, asc, eq } from 'drizzle-orm'
import { v7 } from 'uuid'
import { tables, type Reader } from '../../db'
import { refuse, type Services } from '../../http'
import { findingsFor } from '../certify/evidence'
import { dogView, personById, personName } from '../people'
import { standingsOf, standingsOfAll, type TechniqueRecord } from '../standings'

/** Every apprentice with the counts of their states; an apprentice sees only names and own counts. */
export async function apprenticeList({ db, clock }: Services, actor: Me): Promise<ApprenticeSummary[]> {
  const today = await clock.today()
  const rows = await db
    .select()
    .from(tables.people)
    .where(and(eq(tables.people.role, 'apprentice'), eq(tables.people.active, true)))
    .orderBy(asc(tables.people.cohort), asc(tables.people.givenName))
  const own = rows.filter((row) => actor.role !== 'apprentice' || row.id === actor.id)
  const everyone = await standingsOfAll(
    db,
    own.map(({ id }) => id),
    today
  )
  return own.map((row) => {
    const standings = everyone.get(row.id)!
    const count = (state: State) => [...standings.values()].filter(({ standing }) => standing.state === state).length
    const lastOn =
      [...standings.values()]
        .map(({ standing }) => standing.lastOn ?? '')
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
  if (actor.role === 'apprentice' && actor.id !== id) throw refuse.forbidden('An apprentice reads own records only.')
  const person = await personById(db, id)
  if (person.role !== 'apprentice') throw refuse.notFound('This apprentice')
  const today = await clock.today()
  const standings = await standingsOf(db, id, today)
  const todaySession = (
    await db
      .select({ id: tables.sessions.id })
      .from(tables.sessions)
      .where(and(eq(tables.sessions.apprenticeId, id), eq(tables.sessions.onDate, today)))
  )[0]
  const findings = await findingsFor(
    db,
    certificates.map((certificate) => ({ certificate, apprenticeId: id })),
    today
  )
  const drafted = await db.select().from(tables.findings).where(eq(tables.findings.apprenticeId, id))
  const progress = certificates.map((certificate, i) => ({
    certificateId: certificate.id,
    name: certificate.name,
    rules: findings[i].rules,
    say: findings[i].say,
    ready: findings[i].ready,
    findingId: drafted.find((row) => row.certificateId === certificate.id)?.id ?? null
  }))
  return {
    person: personName(person),
    cohort: person.cohort,
    week: Math.max(1, Math.ceil(daysBetween(person.startedOn, today) / 7)),
    handed: person.handed,
    say: sayWhere(person.givenName, standings),
    techniques: [...standings].filter(([id, { attempts }]) => attempts.length > 0 || wanted.has(id)).map(toldOf),
    certificates: progress,
    next: await practiseNext(db, standings),
    today: todaySession?.id ?? null
  }
}

/** Techniques that a certificate asks for: they are shown before they are begun. */
const wanted = new Set(certificates.flatMap(({ rules }) => rules.flatMap((rule) => (rule.kind === 'techniques' ? rule.techniques : []))))

const toldOf = ([techniqueId, { standing, attempts }]: [string, TechniqueRecord]) => ({ techniqueId, standing, attempts })

function sayWhere(name: string, standings: ReadonlyMap<string, TechniqueRecord>): string {
  const of = (state: State) => [...standings].filter(([, record]) => record.standing.state === state)
  const competent = of('competent').length
  const nearest = of('practising').sort(([, a], [, b]) => a.standing.limit - a.standing.score - (b.standing.limit - b.standing.score))[0]
  const first =
    competent === 0
      ? `${name} is **not yet competent in a technique**`
      : `${name} is **competent in ${competent} technique${competent === 1 ? '' : 's'}**`
  const toGo = nearest ? nearest[1].standing.limit - nearest[1].standing.score : 0
  const second =
    nearest && toGo < nearest[1].standing.limit ? `, ${toGo} clean short of ready in ${nearest[1].technique.name.toLowerCase()}` : ''
  const trouble = [
    ...of('held').map(([, { technique }]) => `${technique.name} is held.`),
    ...of('slipping').map(([, { technique }]) => `${technique.name} slips.`)
  ].slice(0, 2)
  const lapsed = of('lapsed').length
  const last = lapsed > 0 ? [`${lapsed} ${lapsed === 1 ? 'has' : 'have'} lapsed.`] : []
  return [`${first}${second}.`, ...trouble, ...last].join(' ')
}

const URGENCY: Readonly<Record<State, number>> = { slipping: 3, lapsed: 2, practising: 1, held: 0, ready: 0, competent: 0, new: 0.5 }

/** What to practise next: what slips, then what lapsed, then what is nearest to ready; on a dog of the coat least practised. */
async function practiseNext(db: Reader, standings: ReadonlyMap<string, TechniqueRecord>): Promise<PractiseNext | null> {
  const [best] = [...standings]
    .filter(([, { standing }]) => URGENCY[standing.state] > 0)
    .sort(
      ([, a], [, b]) =>
        URGENCY[b.standing.state] +
        b.standing.score / b.standing.limit / 2 -
        (URGENCY[a.standing.state] + a.standing.score / a.standing.limit / 2)
    )
  if (!best) return null
  const [techniqueId, { technique, standing, attempts }] = best
  const dogs = await db.select().from(tables.dogs).orderBy(asc(tables.dogs.name))
  const timesOn = (coat: string) => attempts.filter((attempt) => attempt.counts && attempt.coat === coat).length
  const known = new Set(attempts.map((attempt) => attempt.dogId))
  const [dog] = [...dogs].sort(
    (a, b) => timesOn(a.coat) - timesOn(b.coat) || Number(known.has(a.id)) - Number(known.has(b.id)) || b.canStandMin - a.canStandMin
  )
  const { name } = technique
  const why = dog ? `${upperFirst(dog.coat)} coat, practised ${timesOn(dog.coat)} times; stands ${dog.canStandMin} minutes.` : ''
  return {
    techniqueId,
    say: dog ? `**${name} on ${dog.name}.** ${why}` : `**${name}.**`,
    why: standing.because,
    dog: dog ? dogView(dog) : null
  }
}

/** A lead lifts a hold, with a reason. */
export async function liftHold({ db, clock }: Services, actor: Me, apprenticeId: string, body: LiftHold): Promise<void> {
  const today = await clock.today()
  const record = (await standingsOf(db, apprenticeId, today)).get(body.techniqueId)
  if (!record) throw refuse.notFound(`The technique ${body.techniqueId}`)
  if (record.standing.state !== 'held') throw refuse.conflict('notHeld', 'This technique is not held.')
  await db
    .insert(tables.holdLifts)
    .values({ id: v7(), apprenticeId, techniqueId: body.techniqueId, by: actor.id, reason: body.reason, onDate: today })
}
