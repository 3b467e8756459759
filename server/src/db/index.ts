export * from './connect'
export * as tables from './schema'
