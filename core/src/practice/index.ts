export * from './types'
export { eventOrder, foldSession } from './fold'
export { countedAttempts, type CountedAttempt, type MajorFaults } from './attempts'
