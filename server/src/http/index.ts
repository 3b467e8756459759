export { problemOf, Refused, refuse, RETRY_AFTER_S } from './problem'
export { mount, permitHandler, serve, type Call, type PermitHandler, type Route, type Services } from './route'
export { csrfDefence, knownHost, securityHeaders } from './security'
export { secureServerFor, serverFor } from './serve'
