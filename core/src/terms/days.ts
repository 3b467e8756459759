// Whether something written is a day: asked before anything else sees it, and so by no door, which refuses what is none.

/** Whether a text is a day that a calendar has, YYYY-MM-DD. */
export const isDate = (text: string): boolean =>
  /^\d{4}-\d\d-\d\d$/.test(text) && !Number.isNaN(Date.parse(text)) && new Date(text).toISOString().startsWith(text)
