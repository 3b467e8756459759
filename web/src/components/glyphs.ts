// Our own shape codes on a 20 x 20 box; always shown with their word.
const posts = '<path d="M2 3.5h2.6v13H2zM15.4 3.5H18v13h-2.6z" fill="currentColor"/>'

export const GLYPHS = {
  meets: `${posts}<path d="M4.6 7.2h10.8v5.6H4.6z" fill="currentColor"/>`,
  excused: `${posts}<path d="M5 7.7h10v4.6H5z" fill="none" stroke="currentColor" stroke-width="1.3" stroke-dasharray="2.2 1.6"/>`,
  fails: `${posts}<path d="M4.6 4h5.4v5.6H4.6zM10 10.4h5.4V16H10z" fill="currentColor"/>`,
  cannotTell:
    '<circle cx="10" cy="10" r="7.4" fill="none" stroke="currentColor" stroke-width="2.2" stroke-dasharray="4.6 3.15" stroke-dashoffset="2.3"/><path d="M6.4 10h7.2" stroke="currentColor" stroke-width="2.2"/>',
  missing: posts,
  long: '<path d="M2 15h16v2.4H2z" fill="currentColor"/><path d="M10 2.2 16.4 13.4H3.6z" fill="currentColor"/>',
  short: '<path d="M2 2.6h16V5H2z" fill="currentColor"/><path d="M10 17.8 16.4 6.6H3.6z" fill="currentColor"/>',
  danger:
    '<path d="M10 1.6a8.4 8.4 0 1 0 8.4 8.4H10z" fill="currentColor"/><path d="M12.4 1.7a8.4 8.4 0 0 1 5.9 5.9h-5.9z" fill="currentColor"/>',
  hold: '<path d="M2.2 2.5h3v15h-3zM14.8 2.5h3v15h-3z" fill="currentColor"/><path d="M5 5.6h10v2.6H5zM5 11.4h10V14H5z" fill="currentColor"/>',
  saved:
    '<path d="M4 16V7M8 16V4M12 16V8M16 16V5" stroke="currentColor" stroke-width="1.6"/><path d="M2 16.6h16" stroke="currentColor" stroke-width="1.6"/>',
  new: '<circle cx="10" cy="10" r="5" fill="none" stroke="currentColor" stroke-width="1.6"/>',
  practising:
    '<circle cx="10" cy="10" r="7" fill="none" stroke="currentColor" stroke-width="1.8"/><path d="M10 3a7 7 0 0 1 0 14z" fill="currentColor"/>',
  ready:
    '<circle cx="10" cy="10" r="8" fill="none" stroke="currentColor" stroke-width="1.8"/><circle cx="10" cy="10" r="4.6" fill="currentColor"/>',
  competent: '<circle cx="10" cy="10" r="8.4" fill="currentColor"/>',
  slipping:
    '<path d="M1.6 10a8.4 8.4 0 0 1 16.8 0z" fill="currentColor"/><path d="M6 13v5M10 13v6M14 13v5" stroke="currentColor" stroke-width="1.8"/>',
  lapsed: '<circle cx="10" cy="10" r="7.4" fill="none" stroke="currentColor" stroke-width="1.8" stroke-dasharray="3 2.8"/>',
  held: ''
} as const satisfies Record<string, string>

export type GlyphName = keyof typeof GLYPHS

/** The colour class that belongs to a shape. */
export const GLYPH_TONE: Partial<Record<GlyphName, string>> = {
  meets: 'text-act',
  long: 'text-long',
  short: 'text-short',
  danger: 'text-danger',
  hold: 'text-danger',
  held: 'text-danger',
  competent: 'text-act',
  saved: 'text-ink2'
}
