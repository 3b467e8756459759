import type { Certificate } from '@peen/core/certify'
import { certificateSchema, standingRulesSchema, type StandingRulesBody } from '../evidence/certificates'
import { declineSchema, draftFindingSchema, liftHoldSchema, type Decline, type DraftFinding, type LiftHold } from '../evidence/certify'
import { newFigureSchema, type NewFigure } from '../floor/day'
import { newAnswerSchema, type NewAnswer } from '../evidence/questions'
import { takes } from './takes'

export const evidenceBodies = {
  liftHold: takes<LiftHold>()(liftHoldSchema),
  addFigure: takes<NewFigure>()(newFigureSchema),
  keepAnswer: takes<NewAnswer>()(newAnswerSchema),
  dryRun: takes<Certificate>()(certificateSchema),
  useCertificate: takes<Certificate>()(certificateSchema),
  keepStandingRules: takes<StandingRulesBody>()(standingRulesSchema),
  draftFinding: takes<DraftFinding>()(draftFindingSchema),
  declineFinding: takes<Decline>()(declineSchema)
}
