import type { DogFact } from '@peen/core/advice'
import type { Found, DogStanding } from '@peen/core/checkin'
import type { CoatRules } from '@peen/core/coat'
import type { StandingRules } from '@peen/core/competency'
import type { Opening } from '@peen/core/day'
import type { BurnPlace, GradeRules } from '@peen/core/grade'
import type { CountedAttempt, RoundsRules, Side } from '@peen/core/practice'
import type { AgreedTarget, Chosen, LineId } from '@peen/core/setup'
import type { CheckIn, Closing, DogProfileMore, Noted, Reading, Role, Settings } from '@peen/contract'
import { bigint, boolean, double, index, int, json, mysqlTable, primaryKey, text, uniqueIndex, varchar } from 'drizzle-orm/mysql-core'
import { day, name, utc, uuid } from './columns'

// ---- the school and its people

export const school = mysqlTable('school', {
  id: int('id').primaryKey(),
  name: name('name', 80).notNull(),
  room: name('room', 80).notNull(),
  timeZone: name('time_zone').notNull(),
  /** the demo's frozen now; null in a school of one's own */
  demoNow: utc('demo_now'),
  roomWidthMm: int('room_width_mm').notNull(),
  roomDepthMm: int('room_depth_mm').notNull(),
  houseRules: json('house_rules').$type<Record<string, number>>().notNull(),
  /** how the next looks are ranked; null where nobody has changed it */
  rounds: json('rounds').$type<RoundsRules>(),
  /** risks and attempts by which charts are made; null where nobody has changed them */
  competency: json('competency').$type<StandingRules>(),
  /** limits of the coat book; null where nobody has changed them */
  coat: json('coat').$type<CoatRules>(),
  /** when a trim passes; null where nobody has changed it */
  grading: json('grading').$type<GradeRules>(),
  /** language, lengths and clock until a person chooses; null for the usual ones */
  reading: json('reading').$type<Reading>(),
  /** weekdays and hours; null for the usual ones */
  opening: json('opening').$type<Opening>(),
  /** by which code derived tables were filled last */
  derivedBy: varchar('derived_by', { length: 16 }),
  /** the backup that the school was last brought back from: tablets say again what they did since */
  restored: json('restored').$type<{ readonly id: string; readonly madeAt: string }>()
})

export const people = mysqlTable(
  'people',
  {
    id: uuid('id').primaryKey(),
    givenName: name('given_name').notNull(),
    familyName: name('family_name').notNull(),
    username: name('username').notNull(),
    passwordHash: varchar('password_hash', { length: 200 }).notNull(),
    /** opens shared tablets; null where the person has chosen none */
    pinHash: varchar('pin_hash', { length: 200 }),
    role: name('role', 20).$type<Role>().notNull(),
    cohort: name('cohort').notNull(),
    startedOn: day('started_on').notNull(),
    handed: name('handed', 10).notNull(),
    active: boolean('active').notNull(),
    email: varchar('email', { length: 120 }),
    /** how this person wants to read Peen; null where they have set nothing */
    settings: json('settings').$type<Partial<Settings>>(),
    /** the day on which what names an apprentice was erased */
    erasedOn: day('erased_on')
  },
  (t) => [uniqueIndex('people_username').on(t.username)]
)

export const cohorts = mysqlTable('cohorts', {
  name: name('name').primaryKey(),
  startedOn: day('started_on').notNull(),
  endedOn: day('ended_on')
})

/** A way in by a letter: to choose a first password, or a new one. Used once, and not for ever. */
export const invitations = mysqlTable('invitations', {
  tokenHash: varchar('token_hash', { length: 64 }).primaryKey(),
  personId: uuid('person_id')
    .notNull()
    .references(() => people.id),
  kind: name('kind', 10).$type<'invite' | 'reset'>().notNull(),
  madeAt: utc('made_at').notNull(),
  expiresAt: utc('expires_at').notNull(),
  usedAt: utc('used_at')
})

/** Mail that would have been sent: it stays here, nothing leaves the machine. */
export const letters = mysqlTable('letters', {
  id: uuid('id').primaryKey(),
  personId: uuid('person_id').references(() => people.id),
  address: varchar('address', { length: 120 }).notNull(),
  subject: varchar('subject', { length: 200 }).notNull(),
  body: text('body').notNull(),
  /** who asked for it, and alone may read it */
  madeBy: uuid('made_by'),
  at: utc('at').notNull()
})

export const signIns = mysqlTable('sign_ins', {
  tokenHash: varchar('token_hash', { length: 64 }).primaryKey(),
  personId: uuid('person_id')
    .notNull()
    .references(() => people.id),
  csrf: varchar('csrf', { length: 64 }).notNull(),
  createdAt: utc('created_at').notNull(),
  expiresAt: utc('expires_at').notNull(),
  /** the tablet that a PIN opened; null where the sign-in was by password from the start */
  pinTablet: name('pin_tablet', 64),
  /** nothing but a PIN has said who this is so far */
  byPin: boolean('by_pin').notNull().default(false)
})

export const signInFailures = mysqlTable(
  'sign_in_failures',
  { id: uuid('id').primaryKey(), key: name('key', 120).notNull(), at: utc('at').notNull() },
  (t) => [index('sign_in_failures_key').on(t.key, t.at)]
)

// ---- dogs and the room

export const owners = mysqlTable('owners', {
  id: uuid('id').primaryKey(),
  givenName: name('given_name').notNull(),
  contact: name('contact', 120).notNull()
})

export const dogs = mysqlTable('dogs', {
  id: uuid('id').primaryKey(),
  name: name('name').notNull(),
  bodyType: name('body_type').notNull(),
  coat: name('coat').notNull(),
  colour: name('colour').notNull(),
  withersMm: int('withers_mm').notNull(),
  canStandMin: int('can_stand_min').notNull(),
  temperament: name('temperament', 200).notNull(),
  dislikes: name('dislikes', 200).notNull(),
  burns: json('burns').$type<BurnPlace[]>().notNull(),
  /** null where nobody has said anything yet */
  facts: json('facts').$type<DogFact[]>(),
  /** what else is known; null where nobody has said */
  profile: json('profile').$type<DogProfileMore>(),
  standing: json('standing').$type<DogStanding>(),
  ownerId: uuid('owner_id').references(() => owners.id)
})

export const roomTables = mysqlTable('room_tables', {
  id: uuid('id').primaryKey(),
  number: int('number').notNull(),
  xMm: int('x_mm').notNull(),
  yMm: int('y_mm').notNull(),
  turnDeg: int('turn_deg').notNull(),
  /** the tools that lie at this table; null for the whole rack */
  toolIds: json('tool_ids').$type<string[]>(),
  /** the day on which it was taken out of the room; what was done at it stays */
  removedOn: day('removed_on')
})

/** Dogs that were entered twice: which became which. What was known of both is the kept one's now. */
export const dogMerges = mysqlTable('dog_merges', {
  goneId: uuid('gone_id').primaryKey(),
  goneName: name('gone_name').notNull(),
  keptId: uuid('kept_id')
    .notNull()
    .references(() => dogs.id),
  by: uuid('by_person').notNull(),
  at: utc('at').notNull()
})

/** Notes with a date on a dog, a person or a visit. Never changed: one that is wrong is struck with a reason. */
export const notes = mysqlTable(
  'notes',
  {
    id: uuid('id').primaryKey(),
    about: name('about', 10).$type<Noted>().notNull(),
    aboutId: uuid('about_id').notNull(),
    onDate: day('on_date').notNull(),
    text: text('text').notNull(),
    by: uuid('by_person').notNull(),
    at: utc('at').notNull(),
    struck: json('struck').$type<{ by: string; reason: string; at: string }>()
  },
  (t) => [index('notes_about').on(t.about, t.aboutId)]
)

/** A question asked aloud; never changed, the last one of a question stands. */
export const oralAnswers = mysqlTable(
  'oral_answers',
  {
    id: uuid('id').primaryKey(),
    apprenticeId: uuid('apprentice_id')
      .notNull()
      .references(() => people.id),
    questionId: name('question_id').notNull(),
    right: boolean('was_right').notNull(),
    note: text('note').notNull(),
    onDate: day('on_date').notNull(),
    by: uuid('by_person')
      .notNull()
      .references(() => people.id),
    at: utc('at').notNull()
  },
  (t) => [index('oral_answers_apprentice').on(t.apprenticeId)]
)

// ---- what happens at the tables

export const visits = mysqlTable(
  'visits',
  {
    id: uuid('id').primaryKey(),
    apprenticeId: uuid('apprentice_id')
      .notNull()
      .references(() => people.id),
    dogId: uuid('dog_id')
      .notNull()
      .references(() => dogs.id),
    tableId: uuid('table_id')
      .notNull()
      .references(() => roomTables.id),
    standardId: name('standard_id').notNull(),
    standardVersion: int('standard_version').notNull(),
    onDate: day('on_date').notNull(),
    /** when the dog is brought, HH:MM of the school's clock */
    comesAt: name('comes_at', 5),
    checkIn: json('check_in').$type<CheckIn>().notNull(),
    /** what was found when the dog came in; null until somebody looked */
    found: json('found').$type<Found>(),
    /** tools that the instructor chose instead of the advised ones */
    chosen: json('chosen').$type<Partial<Record<LineId, Chosen>>>(),
    closing: json('closing').$type<Closing>(),
    /** counts the writes of check-in, sheet and closing: a second device is told */
    setupVersion: int('setup_version').notNull().default(0),
    /** counts the writes of its events: what is kept of them in memory knows by it whether it is still right */
    eventsVersion: int('events_version').notNull().default(0)
  },
  (t) => [index('visits_date').on(t.onDate), index('visits_apprentice').on(t.apprenticeId)]
)

/** What was agreed for a dog at set-up; a change is a row of its own, and the newest holds. Graded against, never the plan. */
export const agreedTargets = mysqlTable(
  'agreed_targets',
  {
    id: uuid('id').primaryKey(),
    visitId: uuid('visit_id')
      .notNull()
      .references(() => visits.id),
    by: uuid('by_person').notNull(),
    at: utc('at').notNull(),
    lines: json('lines').$type<readonly AgreedTarget[]>().notNull()
  },
  (t) => [index('agreed_targets_visit').on(t.visitId, t.at)]
)

/** Days on which nothing is planned any more. */
export const closedDays = mysqlTable('closed_days', {
  onDate: day('on_date').primaryKey(),
  by: uuid('by_person').notNull(),
  at: utc('at').notNull()
})

/** Who opened a day, and when. */
export const openedDays = mysqlTable('opened_days', {
  onDate: day('on_date').primaryKey(),
  by: uuid('by_person').notNull(),
  at: utc('at').notNull()
})

export const absences = mysqlTable(
  'absences',
  {
    onDate: day('on_date').notNull(),
    personId: uuid('person_id')
      .notNull()
      .references(() => people.id),
    by: uuid('by_person').notNull(),
    at: utc('at').notNull()
  },
  (t) => [primaryKey({ columns: [t.onDate, t.personId] })]
)

/** Practice on stand-in figures: logged apart from dogs, never on a chart. */
export const figurePractice = mysqlTable(
  'figure_practice',
  {
    id: uuid('id').primaryKey(),
    apprenticeId: uuid('apprentice_id')
      .notNull()
      .references(() => people.id),
    techniqueId: name('technique_id').notNull(),
    side: name('side', 10).$type<Side>().notNull(),
    onDate: day('on_date').notNull(),
    minutes: int('minutes').notNull(),
    note: text('note').notNull(),
    by: uuid('by_person').notNull(),
    at: utc('at').notNull()
  },
  (t) => [index('figure_practice_apprentice').on(t.apprenticeId, t.onDate)]
)

/** The one row that gives positions: who holds it numbers what others have written. */
export const liveHead = mysqlTable('live_head', { id: int('id').primaryKey(), position: int('position').notNull() })

export const events = mysqlTable(
  'practice_events',
  {
    id: uuid('id').primaryKey(),
    v: int('v').notNull(),
    kind: name('kind').notNull(),
    visitId: uuid('visit_id')
      .notNull()
      .references(() => visits.id),
    by: uuid('by_person')
      .notNull()
      .references(() => people.id),
    deviceId: name('device_id').notNull(),
    seq: int('seq').notNull(),
    lamport: int('lamport').notNull(),
    atDevice: utc('at_device').notNull(),
    receivedAt: utc('received_at').notNull(),
    late: boolean('late').notNull(),
    payload: json('payload').$type<object>().notNull(),
    contentHash: varchar('content_hash', { length: 64 }).notNull(),
    /** what the device's clock must be moved by, ms; null where it was right */
    clockOffMs: bigint('clock_off_ms', { mode: 'number' }),
    /** tapped without the server: by who was in at that time, or under a name that was only picked; null with it */
    away: name('away', 10).$type<'in' | 'picked'>(),
    /** its place in the order in which tablets are told; null until it is given one, after its transaction */
    position: int('position')
  },
  (t) => [index('practice_events_visit').on(t.visitId), uniqueIndex('practice_events_position').on(t.position)]
)

/** Never holds a row for longer than a transaction: what is locked on one node of a cluster is told to the others by it (db/cluster.ts). */
export const holds = mysqlTable('holds', { name: varchar('name', { length: 64 }).primaryKey() })

export const holdLifts = mysqlTable('hold_lifts', {
  id: uuid('id').primaryKey(),
  apprenticeId: uuid('apprentice_id')
    .notNull()
    .references(() => people.id),
  techniqueId: name('technique_id').notNull(),
  by: uuid('by_person')
    .notNull()
    .references(() => people.id),
  reason: text('reason').notNull(),
  onDate: day('on_date').notNull()
})

// ---- the audit chain

export const auditHead = mysqlTable('audit_head', {
  id: int('id').primaryKey(),
  seq: int('seq').notNull(),
  hash: varchar('hash', { length: 64 }).notNull()
})

export const auditLog = mysqlTable('audit_log', {
  seq: int('seq').primaryKey(),
  /** RFC 8785 canonical JSON, exactly the bytes that are hashed */
  bytes: text('bytes').notNull(),
  hash: varchar('hash', { length: 64 }).notNull()
})

/** What an entry of the trail speaks of, and which parts it had then; the hash stands in the entry's own bytes. */
export const auditSeals = mysqlTable(
  'audit_seals',
  { seq: int('seq').notNull(), name: varchar('name', { length: 120 }).notNull(), parts: json('parts').$type<readonly string[]>() },
  (t) => [primaryKey({ columns: [t.seq, t.name] })]
)

/** Each check of the trail with what it found. */
export const auditChecks = mysqlTable('audit_checks', {
  seq: int('seq').autoincrement().primaryKey(),
  at: utc('at').notNull(),
  whole: boolean('whole').notNull(),
  entries: int('entries').notNull(),
  head: varchar('head', { length: 64 }).notNull(),
  brokenAt: int('broken_at'),
  changed: json('changed').$type<{ name: string; seq: number; missing: boolean }[]>().notNull()
})

// ---- derived: dropped and recomputed from the tables above at any time

export const attempts = mysqlTable(
  'derived_attempts',
  {
    visitId: uuid('visit_id').notNull(),
    techniqueId: name('technique_id').notNull(),
    setting: name('setting', 10).notNull(),
    apprenticeId: uuid('apprentice_id').notNull(),
    dogId: uuid('dog_id').notNull(),
    onDate: day('on_date').notNull(),
    /** what this technique takes by the plan of the trim; null where it is not planned */
    planMinutes: double('plan_minutes'),
    body: json('body').$type<CountedAttempt>().notNull()
  },
  (t) => [
    primaryKey({ columns: [t.visitId, t.techniqueId, t.setting] }),
    index('derived_attempts_apprentice').on(t.apprenticeId, t.techniqueId)
  ]
)
