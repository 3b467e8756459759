// A server that answers as a test says, for stores and composables: what was asked of it is kept.
import { USUAL_SETTINGS, type Me, type SchoolView } from '@peen/contract'
import { houseRules, rack, standards, techniques } from '@peen/content'
import { createPinia, setActivePinia } from 'pinia'
import { vi } from 'vitest'
import { effectScope } from 'vue'
import { cache } from '../api/cache'
import { rememberMe } from '../api/client'
import { useSessionStore } from '../stores/session'

export type Asked = { readonly method: string; readonly path: string; readonly body: unknown; readonly headers: Record<string, string> }
export type Given = { readonly status: number; readonly body: unknown } | 'offline'

export const ok = (body: unknown): Given => ({ status: 200, body })
export const refusal = (status: number, detail: string, more: object = {}): Given => ({ status, body: { status, detail, ...more } })

// composables of a test live in a scope of its own and end with it: what waits for a hand to rest does not come to another test
type Scope = ReturnType<typeof effectScope> & { readonly on: () => void; readonly off: () => void }
let scope: Scope | null = null
function endScope(): void {
  scope?.off()
  scope?.stop()
  scope = null
}

/** Everything asked from now on, answered by `answer`; both may be looked at and changed while a test runs. */
export function stubServer(answer: (asked: Asked) => Given = () => ok({})) {
  const server = { asked: [] as Asked[], answer }
  setActivePinia(createPinia())
  cache.clear()
  endScope()
  scope = effectScope(true) as Scope
  scope.on()
  vi.stubGlobal('fetch', async (url: string, init: { method: string; body?: string; headers: Record<string, string> }) => {
    const { method, headers } = init
    const one: Asked = { method, path: url.replace('/api', ''), body: init.body ? JSON.parse(init.body) : null, headers }
    server.asked.push(one)
    const given = server.answer(one)
    if (given === 'offline') throw new TypeError('Failed to fetch')
    return { ok: given.status < 400, status: given.status, json: async () => JSON.parse(JSON.stringify(given.body)) as unknown }
  })
  return server
}

/** Ends a test: what it set going is answered first, so that nothing of it comes to the next one. */
export async function unstub(): Promise<void> {
  vi.useRealTimers()
  endScope()
  await settled()
  vi.unstubAllGlobals()
  rememberMe(null)
}

export const RUBEN: Me = {
  id: '019d8a3e-0000-7000-8000-000000000001',
  givenName: 'Ruben',
  familyName: 'Castell',
  role: 'instructor',
  csrf: 'token',
  settings: USUAL_SETTINGS
}

export const SCHOOL: SchoolView = {
  name: 'Ferrin Quay',
  room: 'grooming room',
  timeZone: 'Europe/London',
  now: '2026-04-14T09:42:00.000Z',
  clockRuns: false,
  isDemo: true,
  restored: null,
  tools: rack,
  standards: standards.map((standard) => ({ ...standard, retired: false })),
  techniques: techniques.map((technique) => ({ ...technique, version: 1 })),
  houseRules: Object.fromEntries(houseRules.map(({ id, chosen }) => [id, chosen]))
}

/** Somebody at work in the school. */
export function signedIn(me: Me = RUBEN, school: SchoolView = SCHOOL) {
  const session = useSessionStore()
  session.me = me
  session.school = school
  rememberMe(me)
  return session
}

/** Lets everything that was asked be answered. */
export async function settled(): Promise<void> {
  for (let turn = 0; turn < 3; turn++) {
    for (let i = 0; i < 12; i++) await Promise.resolve()
    await new Promise((resolve) => setTimeout(resolve, 0))
  }
}
