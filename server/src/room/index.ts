export { fingerprintOf, issueLeaf, isLocal, keptCertificates, makeAuthority, LEAF_DAYS, type Pair } from './authority'
export { AUTHORITY_PATH, offerApp } from './offer'
export { roomNames } from './addresses'
export { listen, reachOf, type Reach } from './listen'
