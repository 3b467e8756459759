// Whether a cohort is ready for its certificate by a day, and which visits to ask for so that it is.
import { MOST_AHEAD_DAYS, type SupplyApprentice, type SupplyNeed, type SupplyView } from '@peen/contract'
import type { Certificate } from '@peen/core/certify'
import { daysBetween } from '@peen/core/competency'
import { isOpenOn, shiftDay } from '@peen/core/day'
import { isDate } from '@peen/core/terms'
import type { CoverCase, Learner } from '@peen/core/supply'
import { and, asc, eq } from 'drizzle-orm'
import { tables } from '../../db'
import { refuse, type Services } from '../../http'
import { certificatesOf } from '../certificates'
import { findingsFor } from '../evidence'
import { offOf } from '../opening'
import { fullName } from '../people'
import { techniquesOf } from '../school'
import { aheadOf, needsOfAll, type Ahead, type Needing, type Person } from './facts'
import { solveCover, type Solved } from './solve'

const { people: p } = tables
export type SupplyAsked = { readonly cohort?: string; readonly by?: string; readonly certificate?: string }
/** Where no day is given, so many days ahead. Chosen: a term. */
const USUAL_AHEAD_DAYS = 84
const ANY_DAY = { weekdays: [1, 2, 3, 4, 5, 6, 7] }

export async function supplyView(services: Services, asked: SupplyAsked): Promise<SupplyView> {
  const { db, clock } = services
  const today = await clock.today()
  const by = byIn(asked.by, today)
  const everyone = await db
    .select()
    .from(p)
    .where(and(eq(p.role, 'apprentice'), eq(p.active, true)))
    .orderBy(asc(p.cohort), asc(p.givenName))
  const cohorts = [...new Set(everyone.map(({ cohort }) => cohort))]
  const cohort = asked.cohort ?? cohorts[0] ?? ''
  if (asked.cohort !== undefined && !cohorts.includes(asked.cohort)) throw refuse.notFound(`The cohort “${asked.cohort.slice(0, 60)}”`)
  const people = everyone.filter((person) => person.cohort === cohort)
  const certificates = await certificatesOf(db)
  const certificate = await certificateIn(services, certificates, people, asked.certificate, today)
  const all = await needsOfAll(db, people, certificate, today)
  const ahead = await aheadOf(db, today, by)
  const learners = await learnersOf(services, all, ahead, certificate)
  const given: CoverCase = { learners: learners.map(({ learner }) => learner), ...ahead }
  const solved = await solveCover(given, services.solverSeconds)
  const names = new Map((await techniquesOf(db)).map(({ id, name }) => [id, name]))
  const weeks = Math.max(1, Math.round(daysBetween(today, by) / 7))
  return {
    ...{ today, by, cohort, cohorts, openDays: ahead.days.length, weeks, isProven: solved.isProven },
    certificate: { id: certificate.id, name: certificate.name },
    certificates: certificates.map(({ id, name }) => ({ id, name })),
    apprentices: all.map((one) => apprenticeOf(one, { ahead, solved, names })),
    ...comesTo(given, { all, ahead, solved, names, weeks })
  }
}

function byIn(by: string | undefined, today: string): string {
  const usual = shiftDay(today, USUAL_AHEAD_DAYS)
  if (by === undefined || by === '') return usual
  const ahead = isDate(by) ? daysBetween(today, by) : -1
  if (ahead < 1 || ahead > MOST_AHEAD_DAYS) {
    const last = shiftDay(today, MOST_AHEAD_DAYS)
    throw refuse.invalid([{ path: 'by', detail: `Ready by is ${by.slice(0, 20)}; it must be a date after ${today}, up to ${last}.` }])
  }
  return by
}

/** The certificate that was asked for; else the one that this cohort is nearest to. */
async function certificateIn(
  { db }: Services,
  certificates: readonly Certificate[],
  people: readonly Person[],
  id: string | undefined,
  today: string
): Promise<Certificate> {
  const named = certificates.find((one) => one.id === id)
  if (named) return named
  if (id !== undefined || certificates.length === 0) throw refuse.notFound(`The certificate “${(id ?? '').slice(0, 60)}”`)
  const asked = certificates.flatMap((certificate) => people.map(({ id: apprenticeId }) => ({ certificate, apprenticeId })))
  const findings = await findingsFor(db, asked, today)
  const met = new Map<string, number>()
  asked.forEach(({ certificate }, i) => {
    const { rules } = findings[i]
    const share = rules.filter((rule) => rule.met === 'met').length / rules.length
    met.set(certificate.id, (met.get(certificate.id) ?? 0) + share)
  })
  return [...certificates].sort((a, b) => (met.get(b.id) ?? 0) - (met.get(a.id) ?? 0))[0]
}

type Learning = { readonly learner: Learner; readonly one: Needing }

/** What each apprentice needs beyond what is planned. */
async function learnersOf(
  { db }: Services,
  all: readonly Needing[],
  ahead: Ahead,
  { standards }: Certificate
): Promise<readonly Learning[]> {
  const learners: Learning[] = []
  for (const one of all) {
    const { person, needs, isHeld, dogs: done } = one
    const planned = ahead.planned.get(person.id) ?? []
    const off = await offOf(db, ahead.days[0] ?? '9999-12-31', person.id)
    const busy = new Set(planned.map(({ onDate }) => onDate))
    const days = ahead.days.filter((on) => !busy.has(on) && isOpenOn(on, ANY_DAY, off)).length
    const isNew = ({ dogId }: { readonly dogId: string }) => !done.some(({ id }) => id === dogId)
    const [coats, dogs] = [
      new Set(planned.map(({ coat }) => coat).filter((coat) => !done.some((dog) => dog.coat === coat))),
      new Set(planned.filter(isNew).map(({ dogId }) => dogId))
    ]
    const left = (count: number, there: number) => Math.max(0, count - there)
    const trims = left(needs.trims ?? 0, planned.filter(({ trimId }) => standards.includes(trimId)).length)
    // of a technique that asks for other dogs and coats, as many as the one that asks for most
    const most = (of: 'newDogs' | 'newCoats') => Math.max(needs[of], 0, ...needs.techniques.map((need) => need[of]))
    const learner: Learner = {
      id: person.id,
      tries: isHeld
        ? []
        : needs.techniques.map(({ techniqueId, tries }) => ({
            techniqueId,
            tries: left(tries ?? 0, plannedFor(techniqueId, planned, ahead))
          })),
      trims: isHeld || trims === 0 ? [] : [{ trimIds: standards, count: trims }],
      newCoats: isHeld ? 0 : left(most('newCoats'), coats.size),
      newDogs: isHeld ? 0 : left(most('newDogs'), dogs.size),
      knownCoats: [...coats, ...done.map(({ coat }) => coat)],
      knownDogs: [...dogs, ...done.map(({ id: dogId }) => dogId)],
      days,
      canFinish: !isStuck(needs)
    }
    learners.push({ learner, one })
  }
  return learners
}

const plannedFor = (techniqueId: string, planned: readonly { readonly trimId: string }[], { techniquesOf: of }: Ahead): number =>
  planned.filter(({ trimId }) => of(trimId).includes(techniqueId)).length

/** Something is not reached at the present rate, or on hold: no visit gets this one there. */
const isStuck = ({ trims, techniques }: Needing['needs']) => trims === null || techniques.some(({ tries }) => tries === null)

type Around = { readonly ahead: Ahead; readonly solved: Solved; readonly names: ReadonlyMap<string, string> }

function apprenticeOf({ person, needs, isHeld, isReady }: Needing, { ahead, solved, names }: Around): SupplyApprentice {
  const planned = ahead.planned.get(person.id) ?? []
  const isOpen = solved.cover.unmet.some(({ learnerId }) => learnerId === person.id)
  const status = isHeld ? 'held' : isReady ? 'ready' : 'open'
  return {
    ...{ id: person.id, name: fullName(person), status, trims: needs.trims, newDogs: needs.newDogs, newCoats: needs.newCoats },
    needs: isHeld
      ? []
      : needs.techniques.map(({ techniqueId, ...need }): SupplyNeed => ({
          ...{ techniqueId, name: names.get(techniqueId) ?? techniqueId, ...need },
          planned: Math.min(need.tries ?? 0, plannedFor(techniqueId, planned, ahead))
        })),
    others: isHeld ? [] : needs.others.map(({ name }) => name),
    isThere: status !== 'open' || (!isStuck(needs) && !isOpen)
  }
}

/** The visits to ask for, what is missing a week, and what cannot be had. */
function comesTo(
  { learners, offers }: CoverCase,
  { all, ahead, solved, names, weeks }: Around & { readonly all: readonly Needing[]; readonly weeks: number }
): Pick<SupplyView, 'asked' | 'byTechnique' | 'byCoat' | 'unmet'> {
  const nameOf = new Map(all.map(({ person }) => [person.id, fullName(person)]))
  const perWeek = (count: number) => Math.ceil((10 * count) / weeks) / 10
  const asked = solved.cover.asked.map(({ learnerId, offerId, times, serves }) => {
    const { dogId, dog, coat, trimId, trim, techniques } = ahead.offers.find(({ id }) => id === offerId)!
    const open = learners.find(({ id }) => id === learnerId)!.tries.filter(({ tries }) => tries > 0)
    return {
      ...{ apprenticeId: learnerId, apprentice: nameOf.get(learnerId)!, dogId, dog, coat, trimId, trim, times, serves },
      techniques: open.flatMap(({ techniqueId }) => (techniques.includes(techniqueId) ? [names.get(techniqueId) ?? techniqueId] : []))
    }
  })
  const tries = new Map<string, number>()
  for (const { techniqueId, tries: n } of learners.flatMap((one) => one.tries)) tries.set(techniqueId, (tries.get(techniqueId) ?? 0) + n)
  const coats = new Map<string, number>()
  for (const { offerId, times } of solved.cover.asked) {
    const { coat } = offers.find(({ id }) => id === offerId)!
    coats.set(coat, (coats.get(coat) ?? 0) + times)
  }
  return {
    asked,
    byTechnique: [...tries]
      .filter(([, n]) => n > 0)
      .sort((a, b) => b[1] - a[1])
      .map(([id, n]) => ({ name: names.get(id) ?? id, tries: n, perWeek: perWeek(n) })),
    byCoat: [...coats].sort((a, b) => b[1] - a[1]).map(([coat, visits]) => ({ coat, visits, perWeek: perWeek(visits) })),
    unmet: solved.cover.unmet.map(({ learnerId, techniqueId, ...rest }) => ({
      ...{ apprentice: nameOf.get(learnerId)!, name: techniqueId === null ? null : (names.get(techniqueId) ?? techniqueId) },
      ...rest
    }))
  }
}
