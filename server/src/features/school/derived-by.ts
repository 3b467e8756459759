/** Which code fills the derived tables: written by npm run derived-by, never by hand. A school that other code filled derives again. */
export const DERIVED_BY = 'ec28c5150362a679'
