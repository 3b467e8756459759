import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { dropPicture, keptPictures } from '../outbox/kept-pictures'
import { browserDatabase } from '../testing/browser-database'
import { ok, refusal, signedIn, stubServer, unstub, type Asked } from '../testing/server'
import { useOutboxStore } from './outbox'
import { usePictureStore } from './pictures'
import { useSavedStore } from './saved'

const VISIT = '019d8a3e-0000-7000-8000-0000000000aa'
const taken = { visitId: VISIT, moment: 'during', stance: 'left', file: new Blob(['a picture']) } as const
browserDatabase()
let server: ReturnType<typeof stubServer>
const answers = ({ path, body }: Asked) => {
  if (!path.endsWith('/events')) return ok({ id: 'x' })
  const { events } = body as { readonly events: readonly { readonly id: string }[] }
  return ok({ answers: events.map(({ id }) => ({ id, status: 'stored', detail: null })) })
}
beforeEach(() => {
  // a picture is sent as it is, not as JSON
  server = stubServer(answers)
  const stubbed = globalThis.fetch
  vi.stubGlobal('fetch', (url: string, init: RequestInit) =>
    stubbed(url, init.body instanceof Blob ? { ...init, body: '"picture"' } : init)
  )
  signedIn()
})
afterEach(async () => {
  for (const { id } of await keptPictures()) await dropPicture(id)
  await unstub()
})
const sent = () => server.asked.filter(({ path }) => path.includes('/pictures/'))

describe('a photograph', () => {
  it('goes at once under an id of its own, and its tap after it', async () => {
    const [pictures, outbox] = [usePictureStore(), useOutboxStore()]
    const put = vi.spyOn(outbox, 'put')
    const kept = await pictures.take(taken, (pictureId) => outbox.make(VISIT, 'pictureTaken', { attemptId: null, pictureId }, 0))
    expect(kept).not.toBeNull()
    const as = new URLSearchParams(sent()[0]!.path.split('?')[1]).get('as')
    await outbox.flush()
    expect(put).toHaveBeenCalledWith(expect.objectContaining({ kind: 'pictureTaken', payload: { attemptId: null, pictureId: as } }))
  })

  it('that gets no answer is kept here and said so, and goes under the same id when there is one', async () => {
    server.answer = () => 'offline'
    const pictures = usePictureStore()
    expect(await pictures.take(taken)).toBeNull()
    expect(useSavedStore().words).toBe('1 waiting here')
    server.answer = answers
    await pictures.again(pictures.kept[0]!)
    expect(new Set(sent().map(({ path }) => path)).size).toBe(1)
    expect(await keptPictures()).toEqual([])
    expect(useSavedStore().kept).toBe(0)
  })

  it('that the server refuses later is kept with the reason until it is let go', async () => {
    server.answer = () => 'offline'
    const pictures = usePictureStore()
    await pictures.take(taken)
    server.answer = () => refusal(409, 'This visit has 60 pictures; it must be one of 60.')
    await pictures.again(pictures.kept[0]!)
    expect(pictures.refused.map(({ refused }) => refused)).toEqual(['This visit has 60 pictures; it must be one of 60.'])
    await pictures.letGo(pictures.refused[0]!)
    expect(pictures.kept).toEqual([])
  })

  it('that is refused at once is not kept: its person is there and reads why', async () => {
    server.answer = () => refusal(422, 'The picture is broken.')
    await expect(usePictureStore().take(taken)).rejects.toThrow('The picture is broken.')
    expect(await keptPictures()).toEqual([])
  })
})
