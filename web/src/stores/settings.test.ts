// Two settings that are changed one right after the other.
// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { ok, RUBEN, refusal, stubServer, unstub } from '../testing/server'
import { useSessionStore } from './session'
import { useSettingsStore } from './settings'

let server: ReturnType<typeof stubServer>
beforeEach(() => (server = stubServer(({ body }) => ok(body))))
afterEach(unstub)
const ruben = () => {
  useSessionStore().me = { ...RUBEN }
  return useSettingsStore()
}

describe('settings', () => {
  it('that are changed quickly are sent in their order, and the later one holds', async () => {
    const settings = ruben()
    const both = [settings.keep({ guided: true }), settings.keep({ guided: false })]
    expect(settings.settings.guided).toBe(false)
    await Promise.all(both)
    expect(server.asked.map(({ body }) => (body as { guided: boolean }).guided)).toEqual([true, false])
    expect(settings.settings.guided).toBe(false)
  })

  it('that are refused go back, and the next one is sent all the same', async () => {
    const settings = ruben()
    server.answer = () => refusal(422, 'Nothing was changed.')
    await expect(settings.keep({ guided: true })).rejects.toThrow('Nothing was changed.')
    expect(settings.settings.guided).toBe(false)
    server.answer = ({ body }) => ok(body)
    await settings.keep({ guided: true })
    expect(settings.settings.guided).toBe(true)
  })
})
