export {
  COOKIE,
  decoyHash,
  hashPassword,
  openFor,
  refuseWrongPassword,
  setUp,
  signIn,
  signInWithPassword,
  signOut,
  whoIs,
  type OpenedSession
} from './auth'
export { pinKey, tryFew, tryPassword, wrongTries } from './tries'
export { authRoutes, keep } from './routes'
export { refuseCommon } from './common'
export { DEVICE_COOKIE, deviceIn, deviceOf, knowDevice } from './device'
