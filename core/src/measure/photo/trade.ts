// Lengths that the trade works by. Common practice, no published source.
import { BAND_COMB_MM } from '../../standard'
import { MM_PER_INCH } from '../../units'

export { BAND_COMB_MM }
/** A border strip is an inch wide. */
export const STRIP_MM = MM_PER_INCH
