import type { RegionId } from '@peen/core/regions'
import type { GlyphName } from '../components/glyphs'

/** A note in the margin of a plate. */
export type PlateNote = {
  readonly id: string
  readonly region: RegionId
  /** the dog's own side, in views that show both */
  readonly side?: 'left' | 'right' | null
  readonly numeral?: string
  readonly heading: string
  readonly lines: readonly { readonly text: string; readonly bold?: boolean; readonly glyph?: GlyphName }[]
  readonly tone?: 'long' | 'short'
  readonly danger?: string
}
