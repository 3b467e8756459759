// Signing in, one's own settings, the people of the school, their accounts.
import type { Me } from '../people/auth'
import type { Settings } from '../people/own'
import type { Cohort, ErasureView, PeopleView } from '../people/people'
import type { CohortPreview } from '../evidence/records'
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
  changePassword: post('/me/password', ALL, 'Changes your own password and ends your other sign-ins.', {
    problems: ['wrongSignIn', 'tooManyTries']
  }),
  people: get('/people', STAFF, 'Everyone with an account, the cohorts, and letters that wait to be handed over.'),
  addPerson: post('/people', STAFF, 'Lets a person in.', { problems: ['usernameTaken'] }),
  invite: post('/invitations', STAFF, 'Writes a letter that lets a person in.', {
    problems: ['usernameTaken']
  }),
  welcome: post('/welcome', ANYONE, 'Opens an account with the key of a letter.', {
    problems: ['invitationUsed', 'invitationExpired', 'retired', 'tooManyTries']
  }),
  resetPassword: post('/people/:id/reset', STAFF, 'Writes a letter with which a person chooses a new password.', {
    problems: ['retired']
  }),
  retirePerson: put('/people/:id/active', LEAD, 'Retires an account, or takes it back.', {
    problems: ['erased']
  }),
  confirmAccount: post('/people/:id/confirm', STAFF, 'A second signer confirms a new signer’s account.', { problems: ['retired'] }),
  saySame: post('/people/:id/same', STAFF, 'Says that two accounts are one person, or takes that back.'),
  erasure: get('/people/:id/erasure', LEAD, 'What goes and what stays when an apprentice’s data is erased.'),
  erasePerson: post('/people/:id/erase', LEAD, 'Erases a retired apprentice’s data.', { problems: ['notErasable'] }),
  keepCohort: put('/cohorts', STAFF, 'Keeps when a cohort began and ended.'),
  previewCohort: post('/cohorts/preview', STAFF, 'Reads a table of apprentices and says what is wrong with it.', { reads: 'csv' }),
  letCohortIn: post('/cohorts/csv', STAFF, 'Writes a letter to every apprentice of a table.', {
    reads: 'csv',
    problems: ['usernameTaken']
  }),
  trail: get('/audit', LEAD, 'The checks of the trail so far.'),
  checkTrail: post('/audit', LEAD, 'Checks the whole trail now.')
}

export type PeopleReplies = {
  readonly setupNeeded: { readonly needed: boolean }
  readonly setUp: Me
  readonly signIn: Me
  readonly signOut: void
  readonly signedIn: { readonly me: Me | null; readonly needsSetup: boolean }
  readonly me: Me
  readonly keepSettings: Settings
  readonly changePassword: void
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
}
