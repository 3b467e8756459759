// One touch at a table: what is recorded at once, and what is asked after.
import { standards } from '@peen/content'
import { NO_PROFILE, type TableView } from '@peen/contract'
import type { PracticeEvent } from '@peen/core/practice'
import { effectScope } from 'vue'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { useTable } from './useTable'
import { useSavedStore } from '../stores/saved'
import { ok, RUBEN, settled, signedIn, stubServer, unstub, type Asked, type Given } from '../testing/server'
import { useTaps } from './useTaps'

const STEPS = ['pads', 'nails', 'body-clip', 'skim-off'].map((id) => standards[0].plan.steps.find(({ technique }) => technique === id)!)
const VISIT = '019d8a3e-0000-7000-8000-0000000000aa'
let events: PracticeEvent[]
const view = () =>
  ({
    ...{ id: VISIT, tableNumber: 3, onDate: '2026-04-14', now: '2026-04-14T09:42:00.000Z', elsewhereMin: 20 },
    apprentice: { id: '3', givenName: 'Noor', familyName: 'Basri', role: 'apprentice' },
    dog: { ...NO_PROFILE, id: '1', name: 'Ember', canStandMin: 60 },
    ...{ standardId: standards[0].id, standardVersion: standards[0].version, standardMin: 95, steps: STEPS, closing: [] },
    ...{ checkIn: { weeksSince: 6, wishes: '', excused: [] }, events, holds: [], gradings: [] }
  }) as unknown as TableView
const keeps = ({ method, body }: Asked): Given => {
  if (method === 'GET') return ok(view())
  const sent = (body as { events: PracticeEvent[] }).events
  events = [...events, ...sent]
  return ok({ answers: sent.map(({ id }) => ({ id, status: 'stored', detail: null })) })
}
beforeEach(() => {
  events = []
  stubServer(keeps)
})
afterEach(unstub)

async function atTheTable(me = RUBEN) {
  signedIn(me)
  const scope = effectScope()
  const { table, taps } = scope.run(() => {
    const table = useTable(() => VISIT)
    return { table, taps: useTaps(table, () => VISIT) }
  })!
  await settled()
  return { table, taps, kinds: () => events.map(({ kind }) => kind), last: () => events.at(-1)!.payload as Record<string, unknown> }
}

describe('a touch at a table', () => {
  it('starts the planned step with what the plan says, and ends it by its clock and what was tapped', async () => {
    const { table, taps, kinds, last } = await atTheTable()
    taps.next()
    await settled()
    expect(last()).toMatchObject({ techniqueId: 'pads', side: 'both', hands: 'apprentice', setting: 'live', toolId: 'blade-15' })
    expect(table.current.value?.techniqueId).toBe('pads')
    taps.press('prompt')
    taps.next()
    await settled()
    expect(kinds()).toEqual(['attemptStarted', 'promptGiven', 'attemptEnded'])
    expect(last()).toMatchObject({ minutes: 0, help: 'onePrompt', witness: 'watched' })
    expect(table.nextStep.value?.step.technique).toBe('nails')
  })

  it('records a fault at once and asks after which; what is said is an event of its own', async () => {
    const { table, taps, last } = await atTheTable()
    taps.next()
    taps.press('fault')
    expect(taps.asking.value).toMatchObject({ what: 'fault', attempt: { techniqueId: 'pads' } })
    expect(table.state.value.unsaid).toHaveLength(1)
    taps.say({ faultId: 'clipper-mark', side: 'left' })
    await settled()
    expect(last()).toMatchObject({ faultId: 'clipper-mark', side: 'left' })
    expect(table.state.value.unsaid).toEqual([])
    expect(table.state.value.attempts[0].faults).toMatchObject([{ faultId: 'clipper-mark', side: 'left' }])
    expect(taps.asking.value).toBeNull()
  })

  // a fault seen after the step had ended was asked after with no fault to choose from
  it('between steps is about the one that ended last, with its faults to choose from', async () => {
    const { table, taps } = await atTheTable()
    taps.next()
    taps.end()
    taps.press('fault')
    expect(taps.asking.value).toMatchObject({ what: 'fault', attempt: { techniqueId: 'pads' } })
    expect(table.state.value.attempts[0].faults).toHaveLength(1)
  })

  it('asks for ten seconds, longer while somebody chooses, and not after an undo', async () => {
    const { table, taps } = await atTheTable()
    taps.next()
    vi.useFakeTimers()
    taps.press('helped')
    vi.advanceTimersByTime(10100)
    expect(taps.asking.value).toBeNull()
    taps.press('praise')
    taps.hold()
    vi.advanceTimersByTime(60000)
    expect(taps.asking.value?.what).toBe('praise')
    taps.press('stress')
    useSavedStore().undo!.run()
    expect(taps.asking.value).toBeNull()
    expect(table.state.value.stresses).toEqual([])
  })

  it('stops at once, asks until it is said, and goes on again', async () => {
    const { table, taps } = await atTheTable()
    vi.useFakeTimers()
    taps.press('stop')
    vi.advanceTimersByTime(60000)
    expect(taps.asking.value?.what).toBe('stop')
    taps.say({ text: 'Skin is red or sore.' })
    expect(table.state.value.stopped).toBe('Skin is red or sore.')
    taps.press('stop')
    expect(table.state.value.stopped).toBeNull()
  })

  it('pauses a step, goes on with it, and goes back to one that was ended', async () => {
    const { table, taps, kinds } = await atTheTable()
    taps.next()
    taps.pause()
    expect(table.current.value).toBeNull()
    expect(table.nextStep.value).toMatchObject({ state: 'paused', step: { technique: 'pads' } })
    taps.next()
    expect(table.current.value?.techniqueId).toBe('pads')
    taps.end()
    taps.back('pads')
    await settled()
    expect(kinds()).toEqual(['attemptStarted', 'attemptPaused', 'attemptResumed', 'attemptEnded', 'attemptReopened'])
    expect(table.state.value.attempts).toHaveLength(1)
  })

  it('says what is missing where there is no step to note something in, and counts the dog’s other visits', async () => {
    const { table, taps, kinds } = await atTheTable()
    taps.press('prompt')
    expect(taps.problem.value).toMatch(/^No step started yet/)
    expect(kinds()).toEqual([])
    expect(table.canStand.value).toBe(40)
  })

  it('of an apprentice vouches for nothing', async () => {
    const { taps, last } = await atTheTable({ ...RUBEN, role: 'apprentice' })
    taps.next()
    taps.end()
    await settled()
    expect(last()).toMatchObject({ witness: 'self' })
  })
})
