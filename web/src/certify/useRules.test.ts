// Rules under the hand: judged at once, kept on this device, tried before they are used, never lost to another's version.
import { certificates, standards } from '@peen/content'
import type { CertificateBook } from '@peen/contract'
import { STANDING_DEFAULTS } from '@peen/core/competency'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { ok, refusal, settled, signedIn, stubServer, unstub } from '../testing/server'
import { useRules } from './useRules'

let version: number
let server: ReturnType<typeof stubServer>
const book = (): CertificateBook => ({
  certificates: certificates.map((one) => ({
    certificate: one.id === 'clipping' ? { ...one, version } : one,
    retired: false,
    versions: [],
    issued: 0
  })),
  coats: 6,
  assessors: 4,
  criteria: Object.fromEntries(standards.map(({ id, criteria }) => [id, criteria.map((one) => ({ id: one.id, label: one.label }))])),
  rules: STANDING_DEFAULTS
})
beforeEach(() => {
  version = 1
  server = stubServer(({ method, path }) =>
    method === 'GET' ? ok(book()) : path === '/certificates/dry-run' ? ok([]) : ok({ version: 2 })
  )
  signedIn()
})
afterEach(unstub)

async function atTheDesk(id = 'clipping') {
  const rules = useRules(() => id)
  await settled()
  for (const one of Object.keys(rules.drafts.value)) rules.drop(one)
  return rules
}

describe('rules under the hand', () => {
  it('are read as they stand, with the risk of luck over their techniques', async () => {
    const rules = await atTheDesk()
    expect(rules.row.value?.certificate.name).toBe('Clipping')
    expect(rules.draft.value).toBeNull()
    // by hand: 1 - (1 - .0445)^4 = .166
    expect(rules.joint.value).toBe('Across all 4 together, the chance that one is found competent by luck is 17 %.')
    expect((await atTheDesk('nothing-known')).row.value?.certificate.id).toBe('bearded-pet')
  })

  it('are begun as the next version, judged at once, and thrown away', async () => {
    const rules = await atTheDesk()
    rules.begin()
    expect(rules.draft.value?.version).toBe(2)
    expect(rules.issues.value).toEqual([])
    rules.write({ ...rules.draft.value!, rules: [{ kind: 'dogs', name: 'Coats', dogs: 1, coats: 2 }] })
    expect(rules.issues.value).toEqual([
      'Rule 1, “Coats”: the number of coats is 2; it must be at most 1, one a dog. No one could ever meet it.'
    ])
    rules.drop('clipping')
    expect(rules.draft.value).toBeNull()
  })

  it('are tried, then used; a change after the trial asks for another one', async () => {
    const rules = await atTheDesk()
    rules.begin()
    await rules.tryOut()
    expect(rules.trial.value).toEqual([])
    rules.write({ ...rules.draft.value!, name: 'Clipping well' })
    expect(rules.trial.value).toBeNull()
    await rules.use()
    expect(server.asked.find(({ method }) => method === 'PUT')).toMatchObject({
      path: '/certificates/clipping',
      body: { name: 'Clipping well', version: 2 }
    })
    expect(rules.draft.value).toBeNull()
  })

  it('stay when they are refused, and go on top of a version that came into use meanwhile', async () => {
    const rules = await atTheDesk()
    rules.begin()
    rules.write({ ...rules.draft.value!, name: 'Mine' })
    const answer = server.answer
    server.answer = (asked) => (asked.method === 'PUT' ? refusal(409, 'Version 2 of this certificate is in use by now.') : answer(asked))
    await rules.use()
    expect(rules.problem.value).toMatch(/Version 2/)
    expect(rules.draft.value?.name).toBe('Mine')
    version = 2
    await rules.reload()
    expect(rules.isBehind.value).toBe(true)
    rules.rebase()
    expect(rules.draft.value).toMatchObject({ name: 'Mine', version: 3 })
    expect(rules.isBehind.value).toBe(false)
  })

  it('are copied under a name of their own, never over another or over what was begun', async () => {
    const rules = await atTheDesk()
    expect(rules.copy('Feet & pads')).toBe('feet-pads')
    expect(rules.own.value.map(({ id, version: own }) => [id, own])).toEqual([['feet-pads', 1]])
    expect(rules.copy('Feet, pads')).toBeNull()
    expect(rules.problem.value).toMatch(/that name: feet-pads/)
    expect(rules.copy('Scissoring')).toBeNull()
    expect(rules.copy('x')).toBeNull()
    expect(rules.problem.value).toBe('Name is “x”; it must have two letters or more.')
  })

  it('say a trim that is given again or no longer', async () => {
    const rules = await atTheDesk()
    await rules.retire()
    expect(server.asked.find(({ path }) => path === '/certificates/clipping/retire')?.method).toBe('POST')
  })
})
