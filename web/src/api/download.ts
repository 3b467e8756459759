import type { Problem } from '@peen/contract'
import { t } from '../words'
import { ApiError } from './client'
import { saveFile } from './save-file'

const NAME = /filename="?([^";]+)/

/** Keeps the file that an address answers, under a name or the one that the server gives it. @throws ApiError with the server's own sentence */
export async function download(address: string, as?: string): Promise<void> {
  const answer = await fetch(address, { credentials: 'same-origin' }).catch(() => null)
  if (!answer?.ok) {
    const problem = (await answer?.json().catch(() => null)) as Problem | null | undefined
    throw new ApiError(
      problem ?? {
        type: 'urn:peen:problem:offline',
        title: t('shell.noAnswer'),
        status: 0,
        code: 'offline',
        detail: t('shell.peenNotAnswering')
      }
    )
  }
  const name = as ?? NAME.exec(answer.headers.get('content-disposition') ?? '')?.[1] ?? 'peen'
  saveFile(await answer.blob(), name)
}
