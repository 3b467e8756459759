export * from './connect'
export { troubleOf } from './trouble'
export * as tables from './schema'
