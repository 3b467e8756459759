import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { ref } from 'vue'
import { ApiError } from '../api/client'
import { useDraftStore } from '../stores/drafts'
import { useSavedStore } from '../stores/saved'
import { ok, refusal, settled, signedIn, stubServer, unstub } from '../testing/server'
import { keepText, textOf, textsOf } from './kept-texts'
import { useKeptText } from './useKeptText'

type Text = { readonly weeks: number; readonly purpose: string; readonly nails: readonly string[] }
const FIRST: Text = { weeks: 6, purpose: 'pet', nails: [] }
const ID = 'v'

/** A server that holds one text and its version, and can be away. */
function held(value: Text) {
  const server = { version: 0, value, isAway: false }
  return {
    server,
    /** another device writes */
    other: (change: Partial<Text>) => ((server.value = { ...server.value, ...change }), server.version++),
    read: async () => ({ version: server.version, value: server.value }),
    write: async ({ version, value: next }: { readonly version: number; readonly value: Text }) => {
      if (server.isAway) throw new ApiError({ type: '', title: '', status: 0, code: 'offline', detail: '' })
      if (version !== server.version) throw new ApiError({ type: '', title: '', status: 409, code: 'changedMeanwhile', detail: 'Changed.' })
      server.value = next
      return { version: ++server.version }
    }
  }
}
function open(on: ReturnType<typeof held>, started: Text = FIRST) {
  const value = ref<Text>(started)
  const text = useKeptText<Text>({
    ...{ kind: 'visit', id: () => ID, value: () => value.value, put: (next) => (value.value = next), conflict: 'changedMeanwhile' },
    ...{ write: on.write, read: on.read }
  })
  const change = async (part: Partial<Text>) => {
    value.value = { ...value.value, ...part }
    text.keep()
    return text.send()
  }
  return { value, text, change }
}

const storage = new Map<string, string>()
beforeEach(() => {
  storage.clear()
  const fake = {
    getItem: (key: string) => storage.get(key) ?? null,
    setItem: (key: string, value: string) => {
      storage.set(key, value)
      Object.defineProperty(fake, key, { configurable: true, enumerable: true, value })
    },
    removeItem: (key: string) => {
      storage.delete(key)
      Reflect.deleteProperty(fake, key)
    }
  }
  Object.defineProperty(globalThis, 'localStorage', { configurable: true, value: fake })
  stubServer(() => ok({}))
  signedIn()
})
afterEach(async () => {
  await unstub()
  Reflect.deleteProperty(globalThis, 'localStorage')
})

describe('a text of two devices', () => {
  it('holds what each of them changed', async () => {
    const on = held(FIRST)
    const { value, text, change } = open(on)
    text.begin(await on.read())
    on.other({ purpose: 'show', nails: ['left fore'] })
    expect(await change({ weeks: 7 })).toBe(true)
    expect(value.value).toEqual({ weeks: 7, purpose: 'show', nails: ['left fore'] })
    expect(on.server.value).toEqual(value.value)
    expect(text.said.value).toBe('Another device changed this too. Both changes are kept.')
    expect(textOf('visit', ID)).toBeNull()
  })

  it('waits for a person where both changed one thing, and goes on with their choice', async () => {
    for (const [choice, weeks] of [
      ['here', 7],
      ['there', 8]
    ] as const) {
      const on = held(FIRST)
      const { text, change } = open(on)
      text.begin(await on.read())
      on.other({ weeks: 8, purpose: 'show' })
      expect(await change({ weeks: 7 })).toBe(false)
      expect(text.clashes.value.map(({ at }) => at)).toEqual(['weeks'])
      expect(on.server.value.weeks).toBe(8)
      expect(textOf<Text>('visit', ID)!.value.weeks).toBe(7)
      expect(await text.settle({ weeks: choice })).toBe(true)
      expect(on.server.value).toMatchObject({ weeks, purpose: 'show' })
    }
  })

  it('does not meet itself where it is sent twice at once, and what is changed meanwhile begins from what was sent', async () => {
    const on = held(FIRST)
    const { text, change } = open(on)
    text.begin(await on.read())
    const [first, again, second] = [change({ weeks: 7 }), text.send(), change({ weeks: 8 })]
    expect(await Promise.all([first, again, second])).toEqual([true, true, true])
    expect(on.server.value.weeks).toBe(8)
    expect(text.said.value).toBeNull()
    expect(textOf('visit', ID)).toBeNull()
  })

  it('does not go round where the server says that it changed and holds nothing newer', async () => {
    const on = held(FIRST)
    const { text, change } = open(on)
    text.begin({ version: 3, value: FIRST })
    expect(await change({ weeks: 7 })).toBe(false)
    expect(text.refused.value).toBe('Changed.')
  })
})

describe('a text without the server', () => {
  it('is kept through a reload, said so, and put together with what came meanwhile', async () => {
    const on = held(FIRST)
    const first = open(on)
    first.text.begin(await on.read())
    on.server.isAway = true
    await first.change({ weeks: 7 })
    expect(useSavedStore().words).toBe('1 waiting here')
    on.server.isAway = false
    on.other({ purpose: 'show' })
    const again = open(on)
    expect(again.text.begin(await on.read())).toBe(true)
    expect(again.value.value.weeks).toBe(7)
    expect(await again.text.send()).toBe(true)
    expect(on.server.value).toEqual({ weeks: 7, purpose: 'show', nails: [] })
  })

  it('is its person’s own: the next one at the tablet begins from the server', async () => {
    const on = held(FIRST)
    keepText('visit', ID, { by: 'someone else', base: { version: 0, value: FIRST }, value: { ...FIRST, weeks: 9 } })
    const { value, text } = open(on)
    expect(text.begin(await on.read())).toBe(false)
    expect(value.value.weeks).toBe(6)
    expect(textsOf('someone else')).toEqual([{ kind: 'visit', id: ID }])
  })

  it('is sent from any screen, and held for its person where another device wrote', async () => {
    const me = signedIn()
    const by = me.me!.id
    keepText('visit', 'a', { by, base: { version: 0, value: FIRST }, value: { ...FIRST, weeks: 7 } })
    keepText('trim', 'b', { by, base: { version: 2, value: {} }, value: {} })
    const server = stubServer(({ path }) => (path.endsWith('/found') ? ok({ version: 1 }) : refusal(409, 'Another device wrote.')))
    signedIn()
    const drafts = useDraftStore()
    await settled()
    expect(server.asked.map(({ path, body }) => [path, (body as { version: number }).version])).toEqual([
      ['/visits/a/found', 0],
      ['/standard-drafts/b', 2]
    ])
    expect(textOf('visit', 'a')).toBeNull()
    expect(drafts.held).toMatchObject([{ kind: 'trim', id: 'b', to: '/standard-drafts/b', why: 'Another device wrote.' }])
    drafts.letGo(drafts.held[0]!)
    expect(textsOf(by)).toEqual([])
    expect(useSavedStore().kept).toBe(0)
  })
})
