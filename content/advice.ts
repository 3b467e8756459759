// Which tool where, and which coat a trim can be cut in.
import type { AdviceRule } from '@peen/core/advice'
import type { TrimFit } from '@peen/core/setup'
import adviceRuleData from './advice-rules.json'
import trimFitData from './trim-fits.json'

export const adviceRules = adviceRuleData as unknown as readonly AdviceRule[]
export const trimFits = trimFitData as unknown as readonly TrimFit[]
