// Signing in, one's own settings, the people of the school, their accounts.
import type { Me } from '../people/auth'
import type { Reading, Settings } from '../people/own'
import type { Cohort, ErasureView, PeopleView } from '../people/people'
import type { CohortPreview } from '../evidence/records'
import type { TabletDoor, TabletsView } from '../people/tablets'
import type { BackupsView } from '../people/backups'
import type { TrailView } from '../people/trail'
import { ALL, ANYONE, get, LEAD, post, put, STAFF } from './endpoint'

export const peopleEndpoints = {
  setupNeeded: get('/setup', ANYONE, 'Says whether this school still has to be set up.'),
  setUp: post('/setup', ANYONE, 'Sets the school up with its first lead assessor, who is signed in.', {
    problems: ['alreadySetUp']
  }),
  signIn: post('/sign-in', ANYONE, 'Signs a person in.', {
    problems: ['wrongSignIn', 'tooManyTries']
  }),
  signOut: post('/sign-out', ALL, 'Signs out; the visit is over on the server too.'),
  signedIn: get('/session', ANYONE, 'Says who is signed in, and whether the school has people at all.'),
  me: get('/me', ALL, 'Who is signed in.'),
  keepSettings: put('/me/settings', ALL, 'Keeps a person’s own settings.'),
  keepReading: put('/school/reading', LEAD, 'Sets language, lengths and clock for everyone who has not chosen their own.'),
  changePassword: post('/me/password', ALL, 'Changes your own password and ends your other sign-ins.', {
    problems: ['wrongSignIn', 'tooManyTries']
  }),
  keepPin: put('/me/pin', ALL, 'Keeps the PIN with which you open shared tablets, or takes it away.', {
    problems: ['wrongSignIn', 'tooManyTries']
  }),
  sayPassword: post('/me/password/say', ALL, 'Says your password after you came in by PIN, so that you may sign.', {
    problems: ['wrongSignIn', 'tooManyTries']
  }),
  tabletDoor: get('/tablet', ANYONE, 'What this tablet shows while it is locked: whose PIN opens it.'),
  unlockTablet: post('/tablet/unlock', ANYONE, 'Opens an enrolled tablet with a PIN.', {
    problems: ['wrongPin', 'pinBlocked', 'notEnrolled', 'tooManyTries']
  }),
  tablets: get('/tablets', STAFF, 'The tablets that people share.'),
  enrolTablet: post('/tablets', LEAD, 'Enrols this tablet, at a table or for the whole room.', { needs: 'password' }),
  revokeTablet: post('/tablets/:tablet/revoke', LEAD, 'Ends the enrolment of a tablet and every sign-in by PIN on it.', {
    needs: 'password'
  }),
  people: get('/people', STAFF, 'Everyone with an account, the cohorts, and letters that wait to be handed over.'),
  addPerson: post('/people', STAFF, 'Lets a person in.', { needs: 'password', problems: ['usernameTaken'] }),
  invite: post('/invitations', STAFF, 'Writes a letter that lets a person in.', { needs: 'password', problems: ['usernameTaken'] }),
  welcome: post('/welcome', ANYONE, 'Opens an account with the key of a letter.', {
    problems: ['invitationUsed', 'invitationExpired', 'retired', 'tooManyTries']
  }),
  resetPassword: post('/people/:id/reset', STAFF, 'Writes a letter with which a person chooses a new password.', {
    needs: 'password',
    problems: ['retired']
  }),
  retirePerson: put('/people/:id/active', LEAD, 'Retires an account, or takes it back.', { needs: 'password', problems: ['erased'] }),
  confirmAccount: post('/people/:id/confirm', STAFF, 'A second signer confirms a new signer’s account.', {
    needs: 'password',
    problems: ['retired']
  }),
  saySame: post('/people/:id/same', STAFF, 'Says that two accounts are one person, or takes that back.', { needs: 'password' }),
  erasure: get('/people/:id/erasure', LEAD, 'What goes and what stays when an apprentice’s data is erased.'),
  erasePerson: post('/people/:id/erase', LEAD, 'Erases a retired apprentice’s data.', { needs: 'password', problems: ['notErasable'] }),
  keepCohort: put('/cohorts', STAFF, 'Keeps when a cohort began and ended.'),
  previewCohort: post('/cohorts/preview', STAFF, 'Reads a table of apprentices and says what is wrong with it.', { reads: 'csv' }),
  letCohortIn: post('/cohorts/csv', STAFF, 'Writes a letter to every apprentice of a table.', {
    needs: 'password',
    reads: 'csv',
    problems: ['usernameTaken']
  }),
  trail: get('/audit', LEAD, 'The checks of the trail so far.'),
  checkTrail: post('/audit', LEAD, 'Checks the whole trail now.'),
  backups: get('/backups', LEAD, 'The backups of this school, each with its proof.'),
  makeBackup: post('/backups', LEAD, 'Begins a backup, which is proven by restoring it.')
}

export type PeopleReplies = {
  readonly setupNeeded: { readonly needed: boolean }
  readonly setUp: Me
  readonly signIn: Me
  readonly signOut: void
  readonly signedIn: { readonly me: Me | null; readonly needsSetup: boolean; readonly reading: Reading }
  readonly me: Me
  readonly keepSettings: Settings
  readonly keepReading: Reading
  readonly changePassword: void
  readonly keepPin: { readonly hasPin: boolean }
  readonly sayPassword: void
  readonly tabletDoor: TabletDoor
  readonly unlockTablet: Me
  readonly tablets: TabletsView
  readonly enrolTablet: TabletsView
  readonly revokeTablet: TabletsView
  readonly people: PeopleView
  readonly addPerson: { readonly id: string }
  readonly invite: { readonly id: string }
  readonly welcome: Me
  readonly resetPassword: { readonly id: string }
  readonly retirePerson: { readonly id: string; readonly warnings: readonly string[] }
  readonly confirmAccount: { readonly id: string }
  readonly saySame: void
  readonly erasure: ErasureView
  readonly erasePerson: { readonly name: string }
  readonly keepCohort: Cohort
  readonly previewCohort: CohortPreview
  readonly letCohortIn: { readonly takenIn: number }
  readonly trail: TrailView
  readonly checkTrail: TrailView
  readonly backups: BackupsView
  readonly makeBackup: BackupsView
}
