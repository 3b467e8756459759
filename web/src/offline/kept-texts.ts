// Texts that this device holds and the server does not have yet: in local storage, one under each thing that is written on.

export const TEXT_KINDS = ['visit', 'trim'] as const
export type TextKind = (typeof TEXT_KINDS)[number]

/** A text of one person, with what it began from: by that a change of another device is told from none. */
export type KeptText<T> = {
  readonly by: string
  readonly base: { readonly version: number; readonly value: T }
  readonly value: T
}

const keyOf = (kind: TextKind, id: string) => `peen.text.${kind}.${id}`

export function keepText<T>(kind: TextKind, id: string, text: KeptText<T>): void {
  // a full or closed storage keeps nothing; the screen still holds it
  try {
    localStorage.setItem(keyOf(kind, id), JSON.stringify(text))
  } catch {
    return
  }
}

/** Null where there is none, or none that can be read. */
export function textOf<T>(kind: TextKind, id: string): KeptText<T> | null {
  try {
    const text = JSON.parse(localStorage.getItem(keyOf(kind, id)) ?? 'null') as KeptText<T> | null
    return text?.base ? text : null
  } catch {
    return null
  }
}

export function dropText(kind: TextKind, id: string): void {
  try {
    localStorage.removeItem(keyOf(kind, id))
  } catch {
    return
  }
}

/** Everything of one person that is kept here. */
export function textsOf(person: string): readonly { readonly kind: TextKind; readonly id: string }[] {
  if (typeof localStorage === 'undefined') return []
  return TEXT_KINDS.flatMap((kind) =>
    Object.keys(localStorage)
      .filter((key) => key.startsWith(keyOf(kind, '')))
      .map((key) => key.slice(keyOf(kind, '').length))
      .filter((id) => textOf(kind, id)?.by === person)
      .map((id) => ({ kind, id }))
  )
}
