// Made by npm run wording from the folders of wording/languages; not written by hand.

/** The languages that Peen can be read in, as BCP 47 tags. */
export const LANGUAGES = ['en-GB', 'en-US'] as const
export type Language = (typeof LANGUAGES)[number]
