export { problemOf, Refused, refuse } from './problem'
export { mount, permitHandler, reading, route, type Call, type Permit, type PermitHandler, type Route, type Services } from './route'
export { csrfDefence, knownHost, securityHeaders } from './security'
export { serverFor } from './serve'
