import type { BackupsView } from '@peen/contract'
import { serve, type Route, type Services } from '../../http'

/** A server that was started otherwise than by npm start leaves backups to who runs its database. */
const NOT_HERE: BackupsView = {
  ...{ isKept: false, isNightly: false, folder: '', second: null, hasPassphrase: false, underWay: null, failure: null },
  backups: []
}
const seen = ({ backups }: Services): BackupsView => backups?.view() ?? NOT_HERE

export const backupRoutes: readonly Route[] = [
  serve('backups', async ({ services }) => seen(services)),
  serve('makeBackup', async ({ services }) => {
    services.backups?.begin()
    return seen(services)
  })
]
