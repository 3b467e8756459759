export { COOKIE, hashPassword, openFor, setUp, signIn, signOut, whoIs, type OpenedSession } from './auth'
export { authRoutes, keep } from './routes'
export { refuseCommon } from './common'
export { DEVICE_COOKIE, deviceOf } from './device'
