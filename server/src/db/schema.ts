// Every table, by what it is about.
export * from './schema-school'
export * from './schema-accounts'
export * from './schema-coat'
export * from './schema-grading'
export * from './schema-competency'
export * from './schema-library'
export * from './schema-pictures'
