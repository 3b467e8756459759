// What can be certified, and by which evidence.
import type { Certificate } from '@peen/core/certify'
import certificateBeardedPet from './certificates/bearded-pet.json'
import certificateClipping from './certificates/clipping.json'
import certificateFinishing from './certificates/finishing.json'
import certificateLongCoats from './certificates/long-coats.json'
import certificatePoodles from './certificates/poodles.json'
import certificateRoundHeads from './certificates/round-heads.json'
import certificateScissoring from './certificates/scissoring.json'
import certificateSporting from './certificates/sporting.json'
import certificateStripping from './certificates/stripping.json'
import certificateTerriersStripped from './certificates/terriers-stripped.json'

/** One pattern first, then the four families, then groups of trims. */
export const certificates = [
  certificateBeardedPet,
  certificateClipping,
  certificateScissoring,
  certificateStripping,
  certificateFinishing,
  certificateTerriersStripped,
  certificatePoodles,
  certificateRoundHeads,
  certificateSporting,
  certificateLongCoats
] as unknown as readonly Certificate[]
