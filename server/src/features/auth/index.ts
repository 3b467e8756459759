export { COOKIE, hashPassword, setUp, signIn, signOut, whoIs } from './auth'
export { authRoutes } from './routes'
