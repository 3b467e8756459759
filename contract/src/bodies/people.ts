import { setupSchema, signInSchema, type Setup, type SignIn } from '../people/auth'
import { newPersonSchema, type NewPerson } from '../floor/day'
import { newPasswordSchema, readingSchema, settingsSchema, type NewPassword, type Reading, type Settings } from '../people/own'
import {
  cohortSchema,
  inviteSchema,
  retireSchema,
  samePersonSchema,
  welcomeSchema,
  type Cohort,
  type Invite,
  type Retire,
  type SamePerson,
  type Welcome
} from '../people/people'
import {
  enrolSchema,
  newPinSchema,
  ownPasswordSchema,
  unlockSchema,
  type Enrol,
  type NewPin,
  type OwnPassword,
  type Unlock
} from '../people/tablets'
import { takes } from './takes'

export const peopleBodies = {
  setUp: takes<Setup>()(setupSchema),
  signIn: takes<SignIn>()(signInSchema),
  keepSettings: takes<Settings>()(settingsSchema),
  keepReading: takes<Reading>()(readingSchema),
  changePassword: takes<NewPassword>()(newPasswordSchema),
  keepPin: takes<NewPin>()(newPinSchema),
  sayPassword: takes<OwnPassword>()(ownPasswordSchema),
  unlockTablet: takes<Unlock>()(unlockSchema),
  enrolTablet: takes<Enrol>()(enrolSchema),
  addPerson: takes<NewPerson>()(newPersonSchema),
  invite: takes<Invite>()(inviteSchema),
  welcome: takes<Welcome>()(welcomeSchema),
  retirePerson: takes<Retire>()(retireSchema),
  saySame: takes<SamePerson>()(samePersonSchema),
  keepCohort: takes<Cohort>()(cohortSchema)
}
