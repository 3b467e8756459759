/** Which code fills the derived tables: written by npm run derived-by, never by hand. A school that other code filled derives again. */
export const DERIVED_BY = '366a93ff3fbf4107'
