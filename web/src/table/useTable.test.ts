// A table on one device: taps are folded here at once by the same code as on the server.
import { standards } from '@peen/content'
import { NO_PROFILE, type HoldView, type TableView } from '@peen/contract'
import type { PracticeEvent } from '@peen/core/practice'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { useSavedStore } from '../stores/saved'
import { ok, RUBEN, settled, signedIn, stubServer, unstub, type Asked, type Given } from '../testing/server'
import { useTable } from './useTable'

const VISIT = '019d8a3e-0000-7000-8000-0000000000aa'
const ATTEMPT = '019d8a3e-0000-7000-8000-0000000000bb'
const start = {
  attemptId: ATTEMPT,
  techniqueId: 'pads',
  regions: ['pads'],
  side: 'both',
  toolId: 'blade-15',
  direction: 'with',
  hands: 'apprentice',
  setting: 'live'
} as never
const hold = (techniqueId: string, gate?: true): HoldView => ({
  ...(gate ? { gate } : {}),
  ...{ techniqueId, hazardId: 'toe-web', hazardName: 'toe web', caution: 'Never a 10 between the toes.' }
})

let server: ReturnType<typeof stubServer>
let events: PracticeEvent[]
let holds: HoldView[]
const view = (): TableView =>
  ({
    id: VISIT,
    tableNumber: 3,
    onDate: '2026-04-14',
    apprentice: { id: '3', givenName: 'Noor', familyName: 'Basri', role: 'apprentice' },
    dog: { ...NO_PROFILE, id: '1', name: 'Ember' },
    standardId: standards[0].id,
    standardVersion: standards[0].version,
    standardMin: 95,
    steps: ['pads', 'nails', 'body-clip', 'skim-off'].map((id) => standards[0].plan.steps.find(({ technique }) => technique === id)!),
    closing: [],
    checkIn: { weeksSince: 6, wishes: '', excused: [] },
    events,
    holds
  }) as unknown as TableView
const keeps = ({ method, body }: Asked): Given => {
  if (method === 'GET') return ok(view())
  const sent = (body as { events: PracticeEvent[] }).events
  events = [...events, ...sent]
  return ok({ answers: sent.map(({ id }) => ({ id, status: 'stored', detail: null })) })
}
beforeEach(() => {
  ;[events, holds] = [[], []]
  server = stubServer(keeps)
  signedIn()
})
afterEach(unstub)

async function atTheTable() {
  const table = useTable(() => VISIT)
  await settled()
  return table
}

describe('a table', () => {
  it('knows its trim and its next step', async () => {
    const table = await atTheTable()
    expect(table.standard.value?.name).toBe(standards[0].name)
    expect(table.nextStep.value?.step.technique).toBe('pads')
    expect(table.steps.value).toHaveLength(4)
    expect(table.current.value).toBeNull()
  })

  it('shows a tap before it is sent, counts it once when the server has it, and offers to take it back', async () => {
    server.answer = (one) => (one.method === 'GET' ? ok(view()) : 'offline')
    const table = await atTheTable()
    table.tap('visitOpened', {})
    table.tap('attemptStarted', start, 'start')
    expect(table.current.value).toMatchObject({ id: ATTEMPT, techniqueId: 'pads' })
    expect(table.nextStep.value?.step.technique).toBe('nails')
    expect(useSavedStore().undo?.label).toBe('start')
    await settled()
    server.answer = keeps
    await table.outbox.flush()
    await table.reload()
    expect(table.events.value).toHaveLength(2)
    expect(new Set(table.events.value.map(({ id }) => id)).size).toBe(2)
    expect(table.outbox.waiting).toEqual([])
  })

  it('takes a tap back by an event of its own', async () => {
    const table = await atTheTable()
    table.tap('visitOpened', {})
    table.tap('attemptStarted', start, 'start')
    useSavedStore().undo!.run()
    expect(table.current.value).toBeNull()
    await settled()
    expect(events.map(({ kind }) => kind)).toEqual(['visitOpened', 'attemptStarted', 'undone'])
    expect(events.every(({ by }) => by === RUBEN.id)).toBe(true)
    expect(events.map(({ lamport }) => lamport)).toEqual([1, 2, 3])
  })

  it('tells a step that waits for an instructor from a dog that is not ready', async () => {
    holds = [hold('pads'), hold('body-clip', true)]
    const table = await atTheTable()
    expect(table.waitsAt.value).toMatchObject({ techniqueId: 'pads' })
    expect(table.gate.value).toMatchObject({ techniqueId: 'body-clip', gate: true })
    holds = [hold('body-clip')]
    await table.reload()
    // the hold is further on: nothing waits now
    expect(table.waitsAt.value).toBeNull()
    expect(table.gate.value).toBeNull()
  })

  it('takes from the screen what the server refused, and says why', async () => {
    const table = await atTheTable()
    server.answer = (one) => {
      if (one.method === 'GET') return ok(view())
      const [{ id }] = (one.body as { events: PracticeEvent[] }).events
      return { status: 403, body: { answers: [{ id, status: 'refused', detail: 'Wait for the instructor: toe web.' }] } }
    }
    table.tap('attemptStarted', start)
    expect(table.current.value).not.toBeNull()
    await settled()
    await settled()
    expect(table.outbox.refusal).toBe('Wait for the instructor: toe web.')
    expect(table.current.value).toBeNull()
  })
})
