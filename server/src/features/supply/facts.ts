// What supply is worked out from: what each apprentice needs, what is planned, and which dogs can still come.
import { techniqueToday } from '@peen/bundle'
import { trimFits } from '@peen/content'
import { findingOf, type Certificate } from '@peen/core/certify'
import { designLearningChart, type StandingRules } from '@peen/core/competency'
import { openDays, shiftDay } from '@peen/core/day'
import { fitOf } from '@peen/core/setup'
import { beliefFrom, latelyOf, needsOf, type CertificateNeeds, type Lately, type Offer } from '@peen/core/supply'
import { and, eq, gt, inArray, lte } from 'drizzle-orm'
import { tables, type Reader } from '../../db'
import { attemptRows, recordFrom, standingRules } from '../derived'
import { factsFor } from '../evidence'
import { offOf, openingOf } from '../opening'
import { dogView } from '../people'
import { inShippedOrder, newestStandards, retiredOf } from '../school'
import { cohortStates } from '../standings'

const { visits: v, people: p, dogs: d, roomTables: rt, coatAims: ca } = tables
/** Weeks between visits of a dog of which nothing was said. Chosen: the trade's usual six. */
const USUAL_DAYS = 42

export type Person = typeof p.$inferSelect
export type Needing = {
  readonly person: Person
  readonly isHeld: boolean
  readonly isReady: boolean
  readonly needs: CertificateNeeds
  /** dogs on which a technique of the certificate was done */
  readonly dogs: readonly { readonly id: string; readonly coat: string }[]
}

/** What each apprentice still needs of a certificate. */
export async function needsOfAll(
  db: Reader,
  people: readonly Person[],
  certificate: Certificate,
  today: string
): Promise<readonly Needing[]> {
  const ids = people.map(({ id }) => id)
  const rules = await standingRules(db)
  const { k, limit } = designLearningChart(rules)
  const factsOf = await factsFor(db, ids, today)
  const states = await cohortStates(db, ids, today, rules)
  const beliefs = await beliefsOf(db, rules, today)
  return people.map((person) => {
    const facts = factsOf(certificate, person.id)
    const finding = findingOf(certificate, facts)
    const charts = new Map(states.filter(({ apprenticeId }) => apprenticeId === person.id).map((one) => [one.techniqueId, one]))
    // a rule that names a technique by its former name asks for the one of today
    const asked = certificate.rules.map((rule) =>
      'techniques' in rule ? { ...rule, techniques: [...new Set(rule.techniques.map(techniqueToday))] } : rule
    )
    const met = finding.rules.map((rule) => rule.met === 'met')
    const usualBelief = beliefFrom({ clean: 0, faulty: 0 }, rules.acceptable)
    const needs = needsOf(asked, met, { ...facts, chart: { k, limit }, charts, beliefs, usualBelief })
    return { person, isHeld: facts.held.has(certificate.id), isReady: finding.ready, needs, dogs: facts.dogs }
  })
}

/** How those try each technique who have practised it: what is believed of a newcomer. */
async function beliefsOf(db: Reader, rules: StandingRules, today: string): Promise<ReadonlyMap<string, Lately>> {
  const people = await db.select({ id: p.id }).from(p).where(eq(p.role, 'apprentice'))
  const rows = (
    await attemptRows(
      db,
      people.map(({ id }) => id)
    )
  ).filter(({ row }) => row.onDate <= today)
  const tries = new Map<string, Map<string, boolean[]>>()
  for (const one of rows) {
    const record = recordFrom(one)
    if (!record.counts) continue
    const { techniqueId, apprenticeId } = one.row
    const of = tries.get(techniqueId) ?? new Map<string, boolean[]>()
    of.set(apprenticeId, [...(of.get(apprenticeId) ?? []), record.clean])
    tries.set(techniqueId, of)
  }
  return new Map(
    [...tries].map(([id, of]) => {
      const practised = [...of.values()].filter((own) => own.length >= PRACTISED_TRIES).map((own) => latelyOf(own, (clean) => clean))
      const all = practised.reduce((sum, one) => ({ clean: sum.clean + one.clean, faulty: sum.faulty + one.faulty }), {
        clean: 0,
        faulty: 0
      })
      return [id, beliefFrom(all, rules.acceptable)]
    })
  )
}
/** Who has tried so often has practised it. Chosen. */
const PRACTISED_TRIES = 20

export type Ahead = {
  /** open days after today until the day */
  readonly days: readonly string[]
  /** visits that are planned in them, by apprentice */
  readonly planned: ReadonlyMap<
    string,
    readonly { readonly dogId: string; readonly coat: string; readonly trimId: string; readonly onDate: string }[]
  >
  readonly offers: readonly (Offer & { readonly dog: string; readonly trim: string })[]
  readonly dogVisits: ReadonlyMap<string, number>
  readonly techniquesOf: (trimId: string) => readonly string[]
  /** visits that tables and days hold beyond those planned */
  readonly most: number
}

/** What the school can still do until a day. */
export async function aheadOf(db: Reader, today: string, by: string): Promise<Ahead> {
  const tomorrow = shiftDay(today, 1)
  const days = by < tomorrow ? [] : openDays(tomorrow, by, await openingOf(db), await offOf(db, tomorrow, null))
  const retired = await retiredOf(db)
  const trims = inShippedOrder((await newestStandards(db, true)).flatMap(({ id, body }) => (retired.has(id) ? [] : [body])))
  const techniques = new Map(
    trims.map((trim) => [trim.id, [...new Set(trim.plan.steps.map(({ technique }) => techniqueToday(technique)))]])
  )
  const rows = await db
    .select({ apprenticeId: v.apprenticeId, dogId: v.dogId, coat: d.coat, trimId: v.standardId, onDate: v.onDate })
    .from(v)
    .innerJoin(d, eq(d.id, v.dogId))
    .where(and(gt(v.onDate, today), lte(v.onDate, by)))
  const planned = new Map<string, (typeof rows)[number][]>()
  for (const row of rows) planned.set(row.apprenticeId, [...(planned.get(row.apprenticeId) ?? []), row])
  const dogs = (await db.select().from(d)).filter(({ standing }) => standing?.kind !== 'refused')
  const offers = dogs.flatMap((dog) =>
    trims
      .filter((trim) => trim.bodyType === dog.bodyType && fitOf(trimFits, trim.id, dogView(dog).coatType).verdict !== 'refused')
      .map((trim) => ({
        ...{ id: `${dog.id} ${trim.id}`, dogId: dog.id, dog: dog.name, coat: dog.coat, trimId: trim.id, trim: trim.name },
        techniques: techniques.get(trim.id)!
      }))
  )
  const [{ length: tablesInUse }] = [(await db.select().from(rt)).filter(({ removedOn }) => removedOn === null)]
  return {
    ...{ days, planned, offers, dogVisits: await dogVisits(db, dogs, rows, { today, by }) },
    techniquesOf: (trimId) => techniques.get(trimId) ?? [],
    most: Math.max(0, tablesInUse * days.length - rows.length)
  }
}

/** How often each dog can still be asked to come: its own interval after its last visit, beyond the visits that are planned. */
async function dogVisits(
  db: Reader,
  dogs: readonly { readonly id: string }[],
  planned: readonly { readonly dogId: string }[],
  { today, by }: { readonly today: string; readonly by: string }
): Promise<ReadonlyMap<string, number>> {
  const every = new Map((await db.select().from(ca)).map(({ dogId, everyDays }) => [dogId, everyDays]))
  const ids = dogs.map(({ id }) => id)
  const past =
    ids.length === 0
      ? []
      : await db
          .select({ dogId: v.dogId, onDate: v.onDate })
          .from(v)
          .where(and(lte(v.onDate, today), inArray(v.dogId, ids)))
  const last = new Map<string, string>()
  for (const { dogId, onDate } of past) if (onDate > (last.get(dogId) ?? '')) last.set(dogId, onDate)
  return new Map(
    ids.map((id) => {
      const between = every.get(id) ?? USUAL_DAYS
      const first = last.has(id) ? [shiftDay(last.get(id)!, between), shiftDay(today, 1)].sort().at(-1)! : shiftDay(today, 1)
      const fits = first > by ? 0 : Math.floor((Date.parse(by) - Date.parse(first)) / 86_400_000 / between) + 1
      return [id, Math.max(0, fits - planned.filter(({ dogId }) => dogId === id).length)]
    })
  )
}
