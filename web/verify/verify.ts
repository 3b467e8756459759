// The page that checks certificates with nothing but itself: no server, no network, no framework.
import { fingerprintOf, isSealed, readCredential, saysOf, standingIn, timeOf, type Json, type Sealed } from '@peen/credential'
import { sayIn, type Say } from '@peen/wording'
import rooms from 'virtual:wording/room-check'
import type { CheckView } from '@peen/contract'
import { factsOf, voiceOf, whyUnreadable } from '../src/check/say-check'

const language = navigator.languages.find((one) => one in rooms) ?? 'en-GB'
const t: Say = sayIn(rooms[language]!, language)
const voice = voiceOf(t, language)
const { sayDate } = voice

type KeyList = Sealed & { readonly keys: readonly { readonly publicKey: string; readonly compromisedSince: string | null }[] }
/** What was chosen so far: a certificate, and the lists that its school has signed. */
const chosen: {
  certificate: { credential: Json; publicKey: string } | null
  revoked: { list: Json; publicKey: string } | null
  keys: KeyList | null
} = {
  certificate: null,
  revoked: null,
  keys: null
}
let notes: string[] = []

const byId = (id: string) => document.getElementById(id)!
const put = (parent: HTMLElement, tag: string, text: string, name = '') => {
  const own = document.createElement(tag)
  own.textContent = text
  own.className = name
  parent.append(own)
}

/** Takes one file for what it is. */
async function take(bytes: Uint8Array): Promise<void> {
  const read = await readCredential(bytes)
  if (read.unreadable === null) {
    const isList = [read.credential.type].flat().includes('BitstringStatusListCredential')
    if (isList && !read.intact) return void notes.push(t('check.revocationWrong'))
    if (isList) chosen.revoked = { list: read.credential, publicKey: read.publicKey }
    else if (read.intact) chosen.certificate = { credential: read.credential, publicKey: read.publicKey }
    else notes.push(`${t('check.changed')} ${t('check.changedSomewhere')}`)
    return
  }
  const sealed = sealedIn(bytes)
  if (!sealed)
    return void notes.push(
      read.unreadable === 'noCredential' ? t('check.noList') : whyUnreadable(t, { unreadable: read.unreadable, what: read.what ?? null })
    )
  if (isSealed(sealed)) chosen.keys = sealed
  else notes.push(t('check.keysWrong'))
}

function sealedIn(bytes: Uint8Array): KeyList | null {
  try {
    const value = JSON.parse(new TextDecoder().decode(bytes)) as KeyList
    return typeof value.signature === 'string' && Array.isArray(value.keys) ? value : null
  } catch {
    return null
  }
}

/** What the lists say of the certificate, worst last. */
async function standing({ credential, publicKey }: { credential: Json; publicKey: string }): Promise<string[]> {
  const said: string[] = []
  const signedAt = String((credential.proof as Json).created ?? credential.validFrom)
  if (chosen.keys) {
    const key = chosen.keys.keys.find((one) => one.publicKey === publicKey)
    if (!key) said.push(t('check.keyUnlisted'))
    else if (key.compromisedSince && signedAt >= key.compromisedSince)
      said.push(t('check.keyStolen', { date: sayDate(key.compromisedSince.slice(0, 10)) }))
    else said.push(t('check.keyListed'))
  } else said.push(t('check.compareKey'))
  // a list of another signer says nothing of this certificate, unless the school's list of keys names both
  const isTheirs = (signer: string) => signer === publicKey || (chosen.keys?.keys.some((one) => one.publicKey === signer) ?? false)
  const found = chosen.revoked && isTheirs(chosen.revoked.publicKey) ? await standingIn(chosen.revoked.list, credential) : null
  if (chosen.revoked && !found) said.push(t('check.revocationWrong'))
  if (!found) said.push(t('check.revocationUnknown'))
  else
    said.push(
      found.revoked
        ? t('check.revocationRevoked', { date: sayDate(found.asOf.slice(0, 10)) })
        : t('check.revocationNone', { date: sayDate(found.asOf.slice(0, 10)) })
    )
  return said
}

async function show(): Promise<void> {
  const out = byId('verdict')
  out.replaceChildren()
  for (const note of notes) put(out, 'p', note, 'bad')
  const { certificate } = chosen
  if (certificate) {
    const { holder, name, claim, issuer, from, until } = saysOf(certificate.credential)
    const time = timeOf(certificate.credential, new Date())
    put(out, 'p', t('check.asSigned', { school: issuer }), 'headline')
    if (time === 'expired') put(out, 'p', t('check.expiredOffline', { date: sayDate(until!.slice(0, 10)) }), 'bad')
    if (time === 'notYet') put(out, 'p', t('check.notYet', { date: sayDate(from.slice(0, 10)) }), 'bad')
    for (const sentence of await standing(certificate)) put(out, 'p', sentence, 'says')
    const view = {
      verdict: 'valid',
      ours: false,
      unreadable: null,
      what: null,
      changed: [],
      number: null,
      revoked: null,
      signers: []
    } as const
    const dl = document.createElement('dl')
    const facts: CheckView = {
      ...view,
      ...{ holder, name, claim, school: issuer, issuedOn: from.slice(0, 10), validUntil: until?.slice(0, 10) ?? null },
      fingerprint: fingerprintOf(certificate.publicKey)
    }
    for (const fact of factsOf(facts, voice)) {
      put(dl, 'dt', fact.name)
      put(dl, 'dd', fact.is)
    }
    out.append(dl)
  }
  out.hidden = out.childElementCount === 0
}

async function takeAll(files: Iterable<File>): Promise<void> {
  notes = []
  for (const file of files) await take(new Uint8Array(await file.arrayBuffer()))
  await show()
}

document.documentElement.lang = language
document.title = t('check.offlineTitle')
byId('title').textContent = t('check.offlineTitle')
byId('intro').textContent = t('check.offlineIntro')
byId('choose').textContent = t('check.chooseFile')
byId('covers').textContent = t('check.covers')
const input = byId('files') as HTMLInputElement
input.addEventListener('change', () => void takeAll([...(input.files ?? [])]).then(() => (input.value = '')))
document.addEventListener('dragover', (event) => event.preventDefault())
document.addEventListener('drop', (event) => {
  event.preventDefault()
  void takeAll([...(event.dataTransfer?.files ?? [])])
})
