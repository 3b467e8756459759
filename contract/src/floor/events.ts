import {
  AWAYS,
  EVENT_KINDS,
  EVENT_VERSION,
  HANDS,
  HELP_LEVELS,
  PORTIONS,
  RAN_OUT_ENDS,
  SETTINGS,
  SEVERITIES,
  SIDES,
  STRESS_LEVELS,
  WITNESSES,
  type EventKind,
  type PracticeEvent
} from '@peen/core/practice'
import { GLOBAL_RATINGS } from '@peen/core/grade'
import { REGION_IDS, type RegionId } from '@peen/core/regions'
import { array, lazy, mixed, number, object, string, type Schema, uuid } from '../shape/yup'

// yup's types leave null out of oneOf, though it is needed there for nullable fields
const NONE = null as unknown as string
const id = () => uuid().required()
const name = () => string().required().max(60)
const text = () => string().required().max(500)
const region = () => mixed<RegionId>().oneOf([...REGION_IDS])
const minutes = () => number().required().min(0).max(480)
const nothing = object({}).noUnknown()
/** words that may be left out: one tap says that, not what */
const maybeText = () => string().defined().max(500)
const oneOf = (allowed: readonly string[]) => mixed().oneOf([...allowed])
const oneOrNone = (allowed: readonly string[]) =>
  mixed()
    .oneOf([...allowed, NONE])
    .nullable()
    .defined()
const ofAttempt = object({ attemptId: id() }).noUnknown()
const confirmed = object({
  attemptId: id(),
  minutes: minutes(),
  help: oneOf(HELP_LEVELS).required(),
  witness: oneOf(WITNESSES).required(),
  hands: oneOf(HANDS).required(),
  side: oneOf(SIDES).required(),
  portion: oneOf(PORTIONS).optional()
}).noUnknown()

/** One shape per kind; a new kind does not compile until it has one here. */
const PAYLOADS: Readonly<Record<EventKind, Schema>> = {
  visitOpened: nothing,
  visitClosed: nothing,
  attemptStarted: object({
    attemptId: id(),
    techniqueId: name(),
    regions: array().of(region().required()).required().max(30),
    side: oneOf(SIDES).required(),
    toolId: string().max(60).defined().nullable(),
    direction: oneOrNone(['with', 'against']),
    hands: oneOf(HANDS).required(),
    setting: oneOf(SETTINGS).required()
  }).noUnknown(),
  attemptEnded: object({
    attemptId: id(),
    minutes: minutes(),
    help: oneOf(HELP_LEVELS).required(),
    witness: oneOf(WITNESSES).required()
  }).noUnknown(),
  attemptPaused: ofAttempt,
  attemptResumed: ofAttempt,
  attemptReopened: ofAttempt,
  faultNoted: object({
    attemptId: id(),
    faultId: string().max(60).defined().nullable(),
    text: maybeText().optional(),
    region: region().nullable().defined(),
    side: oneOrNone(SIDES)
  }).noUnknown(),
  promptGiven: ofAttempt,
  helped: object({
    attemptId: id(),
    help: oneOrNone(HELP_LEVELS),
    region: region().nullable().defined(),
    side: oneOrNone(SIDES)
  }).noUnknown(),
  safetyNoted: object({
    attemptId: uuid().nullable().defined(),
    hazardId: name(),
    severity: oneOf(SEVERITIES).required(),
    region: region().nullable().defined()
  }).noUnknown(),
  stressNoted: object({ attemptId: uuid().nullable().defined(), level: oneOf(STRESS_LEVELS).required() }).noUnknown(),
  pictureTaken: object({ attemptId: uuid().nullable().defined(), pictureId: id() }).noUnknown(),
  praised: object({ attemptId: uuid().nullable().defined(), text: maybeText() }).noUnknown(),
  breakStarted: nothing,
  breakEnded: object({ minutes: minutes() }).noUnknown(),
  stopped: object({ reason: maybeText() }).noUnknown(),
  wentOn: nothing,
  ranOut: object({ how: oneOf(RAN_OUT_ENDS).required() }).noUnknown(),
  instructorFinished: object({
    regions: array().of(region().required()).required().min(1).max(40),
    side: oneOf(SIDES).required()
  }).noUnknown(),
  selfRated: object({ rating: oneOf(GLOBAL_RATINGS).required(), best: maybeText(), mend: maybeText() }).noUnknown(),
  attemptsConfirmed: object({
    attempts: array().of(confirmed).required().max(60),
    struck: array().of(id()).required().max(200)
  }).noUnknown(),
  lookedAt: nothing,
  helpAsked: nothing,
  holdReleased: object({ techniqueId: name(), hazardId: name() }).noUnknown(),
  noted: object({ text: text() }).noUnknown(),
  annotated: object({
    eventId: id(),
    text: string().max(500),
    faultId: string().max(60),
    region: region().nullable(),
    side: oneOf([...SIDES, NONE]).nullable(),
    help: oneOf(HELP_LEVELS),
    level: oneOf(STRESS_LEVELS)
  }).noUnknown(),
  undone: object({ eventId: id(), reason: string().max(200).optional() }).noUnknown(),
  lateConfirmed: object({ eventId: id() }).noUnknown()
}

/** What the database's whole numbers hold. */
const MOST = 2_000_000_000

function envelope(kind: Schema, payload: Schema) {
  return object({
    id: id(),
    v: number().required().integer().min(1).max(1000),
    kind,
    visitId: id(),
    by: id(),
    deviceId: name(),
    seq: number().required().integer().min(0).max(MOST),
    lamport: number().required().integer().min(0).max(MOST),
    atDevice: string().required().datetime({ message: 'atDevice must be a UTC time such as 2026-04-14T09:42:00.000Z.' }),
    receivedAt: mixed().nullable().oneOf([NONE]).optional(),
    away: mixed()
      .oneOf([...AWAYS, NONE])
      .optional(),
    payload
  })
    .noUnknown()
    .required()
}

const knownKind = () =>
  mixed()
    .oneOf([...EVENT_KINDS])
    .required()
// made once: building a schema costs more than checking with it
const ENVELOPES = new Map(EVENT_KINDS.map((kind) => [kind as string, envelope(knownKind(), PAYLOADS[kind])]))
const UNKNOWN_KIND = envelope(knownKind(), object().required())
const UNKNOWN_VERSION = envelope(name(), object().required())

/** The envelope around every event. A version this code does not know is accepted with any payload, and kept. */
export const eventSchema = lazy((value: unknown) => {
  const event = value as Partial<PracticeEvent> | null
  if (event?.v !== EVENT_VERSION) return UNKNOWN_VERSION
  return ENVELOPES.get(String(event.kind)) ?? UNKNOWN_KIND
})

/** `sentAt` is what the tablet's clock says when it sends: by it a wrong clock is found. */
export const eventBatchSchema = object({
  events: array().required().min(1).max(200),
  sentAt: string().datetime({ message: 'sentAt must be a UTC time such as 2026-04-14T09:42:00.000Z.' })
}).noUnknown()

/** What one tablet sends at once; each event is checked by its own shape. */
export type EventBatch = { readonly events: readonly unknown[]; readonly sentAt?: string }

export type EventAnswer = {
  readonly id: string
  readonly status: 'stored' | 'alreadyThere' | 'late' | 'conflict' | 'refused'
  readonly detail: string | null
}
