/** Which code fills the derived tables: written by npm run derived-by, never by hand. A school that other code filled derives again. */
export const DERIVED_BY = 'f3b5e764cb21f716'
