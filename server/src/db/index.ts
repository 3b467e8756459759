export * from './connect'
export { optionsOf, type DatabaseSettings } from './settings'
export { troubleOf } from './trouble'
export * as tables from './schema'
