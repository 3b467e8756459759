// A visit was once called a session. What was hashed then must hash the same today, so what goes into a hash keeps those words.
const FIRST_KINDS: Readonly<Record<string, string>> = { visitOpened: 'sessionOpened', visitClosed: 'sessionClosed' }

/** A row or an event in the words that its hash was first made with. */
export function inFirstWords(row: object): object {
  const { visitId, kind, ...rest } = row as { readonly visitId?: string; readonly kind?: string }
  return {
    ...rest,
    ...(visitId === undefined ? {} : { sessionId: visitId }),
    ...(kind === undefined ? {} : { kind: FIRST_KINDS[kind] ?? kind })
  }
}
