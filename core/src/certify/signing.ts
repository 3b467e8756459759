import type { AccountsOf } from './accounts'

export type SigningPerson = {
  readonly id: string
  readonly name: string
  readonly role: 'lead' | 'instructor' | 'apprentice'
  /** why the account signs nothing yet; nothing where it does */
  readonly unsettled?: string | null
}

export type SigningFacts = {
  /** all accounts of a person; each its own person where nothing is said */
  readonly accountsOf?: AccountsOf
  readonly candidateId: string
  /** who marked the deciding trim, or null while there is none */
  readonly markedBy: string | null
  /** whose hands were on the deciding trim's dog that day (the instructor finishing a part among them) */
  readonly workedOnDog: ReadonlySet<string>
  readonly ready: boolean
  readonly signed: readonly SigningPerson[]
}

export type MaySign = { readonly may: true; readonly note: string } | { readonly may: false; readonly because: string }

const alone: AccountsOf = (id) => new Set([id])

/**
 * Whether a person may sign now. Two different people, both assessors, at least one a lead; neither is the candidate
 * nor worked on that dog, under whichever account; at least one did not mark the deciding trim. Source: docs/method.md, Who signs.
 */
export function maySign(person: SigningPerson, facts: SigningFacts): MaySign {
  const no = (because: string): MaySign => ({ may: false, because: `${person.name} cannot sign: ${because}.` })
  const own = (facts.accountsOf ?? alone)(person.id)
  const isOwn = (id: string | null) => id !== null && own.has(id)
  if (isOwn(facts.candidateId)) return no('no one can sign their own work')
  if (person.role === 'apprentice') return no('only assessors can sign')
  if (person.unsettled) return no(person.unsettled)
  if ([...facts.workedOnDog].some(isOwn)) return no('worked on this dog')
  if (!facts.ready) return no('not every rule is met')
  if (facts.signed.some((other) => isOwn(other.id))) return no('has already signed; someone else must give the second signature')
  if (facts.signed.length >= 2) return no('two people have already signed')
  const [first] = facts.signed
  if (first && first.role !== 'lead' && person.role !== 'lead') return no('one of the two must be a lead assessor')
  const marker = facts.markedBy === null ? null : (facts.accountsOf ?? alone)(facts.markedBy)
  if (first && marker?.has(first.id) && isOwn(facts.markedBy)) return no('one of the two must not have marked the deciding trim')
  return { may: true, note: isOwn(facts.markedBy) ? 'marked the deciding trim' : 'did not mark the deciding trim' }
}

/** What is missing when the school has too few people for two signatures; null when two can be found. */
export function missingSigners(people: readonly SigningPerson[], facts: Omit<SigningFacts, 'signed' | 'ready'>): string | null {
  const able = people.filter((person) => maySign(person, { ...facts, ready: true, signed: [] }).may)
  const leads = able.filter((person) => person.role === 'lead')
  if (leads.length === 0) return 'No lead assessor can sign: each is the candidate or worked on this dog. Ask a lead assessor from outside.'
  const accountsOf = facts.accountsOf ?? alone
  if (able.every(({ id }) => accountsOf(id).has(able[0]!.id)))
    return `Only ${able[0]!.name} can sign. You need a second assessor who did not work on this dog.`
  if (able.every(({ id }) => facts.markedBy !== null && accountsOf(id).has(facts.markedBy)))
    return 'You need a signer who did not mark the deciding trim.'
  return null
}
