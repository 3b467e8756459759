// The trail: what its checks came to.

/** One check of the whole trail. */
export type TrailCheck = {
  readonly at: string
  readonly whole: boolean
  readonly entries: number
  /** hash of the last entry: written down outside this machine, nothing before it can be changed unseen */
  readonly head: string
  readonly brokenAt: number | null
  readonly changed: readonly { readonly name: string; readonly seq: number; readonly missing: boolean }[]
}
export type TrailView = { readonly checks: readonly TrailCheck[] }
