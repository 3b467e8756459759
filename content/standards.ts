// The sixteen trims.
import { lengthsOfWork, type Standard } from '@peen/core/standard'
import standardBeardedPet from './standards/bearded-pet.json'
import standardBracelets from './standards/bracelets.json'
import standardCardedSporting from './standards/carded-sporting.json'
import standardCleanFace from './standards/clean-face.json'
import standardCompanion from './standards/companion.json'
import standardFlower from './standards/flower.json'
import standardJacketPet from './standards/jacket-pet.json'
import standardJacketShow from './standards/jacket-show.json'
import standardLayeredHead from './standards/layered-head.json'
import standardLongCoat from './standards/long-coat.json'
import standardMountainEar from './standards/mountain-ear.json'
import standardSmile from './standards/smile.json'
import standardSpanielLegs from './standards/spaniel-legs.json'
import standardSpanielPet from './standards/spaniel-pet.json'
import standardTeddy from './standards/teddy.json'
import standardWinterShow from './standards/winter-show.json'

/** What a trim leaves is what its work leaves: derived here, never written a second time. */
const withLengths = (written: Standard): Standard => ({
  ...written,
  plan: { ...written.plan, lengthsMm: lengthsOfWork(written.plan.work ?? [], { house: {} }) }
})
export const standards: readonly Standard[] = (
  [
    standardBeardedPet,
    standardJacketShow,
    standardJacketPet,
    standardCleanFace,
    standardBracelets,
    standardCompanion,
    standardSmile,
    standardLayeredHead,
    standardTeddy,
    standardFlower,
    standardSpanielPet,
    standardSpanielLegs,
    standardCardedSporting,
    standardMountainEar,
    standardWinterShow,
    standardLongCoat
  ] as unknown as readonly Standard[]
).map(withLengths)
/** Techniques by which any trim pulls a coat. */
export const pullTechniques: ReadonlySet<string> = new Set(
  standards.flatMap(({ plan }) =>
    (plan.work ?? []).flatMap(({ passes }) => passes.flatMap(({ kind, technique }) => (kind === 'pull' ? [technique] : [])))
  )
)
