/** What a message can say in its place: a number, a word, or nothing. */
export type Said = string | number | null | undefined
