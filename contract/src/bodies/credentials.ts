import { checkNumberSchema, newKeySchema, revokeSchema, type CheckNumber, type NewKey, type Revoke } from '../evidence/credentials'
import { keepCertificateSchema, type KeepCertificate } from '../grading/corrections'
import { takes } from './takes'

export const credentialBodies = {
  revoke: takes<Revoke>()(revokeSchema),
  keepCertificate: takes<KeepCertificate>()(keepCertificateSchema),
  newIssuerKey: takes<NewKey>()(newKeySchema),
  checkNumber: takes<CheckNumber>()(checkNumberSchema)
}
