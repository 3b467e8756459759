/** What the floor knows of one occupied table when it asks where the instructor should look next. */
export type TableFacts = {
  readonly tableNumber: number
  readonly sessionId: string
  readonly apprentice: string
  readonly dog: string
  readonly workedMin: number
  readonly standardMin: number
  readonly canStandMin: number
  readonly leftMin: number
  readonly waitingAt: string | null
  /** a hold point among the next steps that nobody has released: its name and the minutes until it comes */
  readonly comingHold: { readonly name: string; readonly inMin: number } | null
  readonly nextHazard: string | null
  readonly attemptsAtNext: number
  readonly promptsAtNext: number
  readonly stopped: string | null
}

export type RankedLook = {
  readonly tableNumber: number
  readonly sessionId: string
  readonly risk: number
  readonly say: string
  readonly why: string
  readonly danger: boolean
}

/** Minutes a dog can still stand from which on it is urgent. Common practice, no published source. */
export const LOW_STAND_MIN = 6
const LOOKS = 3

/**
 * The next three looks, most urgent first: somebody stopped, somebody waiting at a hold point, a dog that has had
 * nearly enough, a hold point soon, a risky step by somebody new to it, much over time. Weights are our own choice; only their order matters.
 */
export function rankLooks(tables: readonly TableFacts[]): RankedLook[] {
  return tables
    .map(look)
    .filter((found) => found !== null)
    .sort((a, b) => b.risk - a.risk || a.tableNumber - b.tableNumber)
    .slice(0, LOOKS)
}

function look(t: TableFacts): RankedLook | null {
  const base = { tableNumber: t.tableNumber, sessionId: t.sessionId }
  const times =
    t.attemptsAtNext === 0
      ? 'Never on a live dog so far.'
      : `${t.attemptsAtNext} on a live dog so far${t.promptsAtNext > 0 ? `, ${t.promptsAtNext} prompts` : ''}.`
  if (t.stopped)
    return {
      ...base,
      risk: 110,
      danger: true,
      say: `Go to **${t.apprentice}, table ${t.tableNumber}**: the work was stopped.`,
      why: t.stopped
    }
  if (t.waitingAt)
    return {
      ...base,
      risk: 100,
      danger: true,
      say: `Go to **${t.apprentice}, table ${t.tableNumber}**, who waits for you: ${t.waitingAt}.`,
      why: times
    }
  if (t.canStandMin <= LOW_STAND_MIN) {
    return {
      ...base,
      risk: 90,
      danger: true,
      say: `**${t.apprentice}, table ${t.tableNumber}**: ${t.dog} can stand ${Math.max(0, t.canStandMin)} more.`,
      why: `${t.leftMin} minutes of work remain: agree what goes home unfinished. No mark is lost.`
    }
  }
  if (t.comingHold) {
    const when = t.comingHold.inMin <= 0 ? 'now' : `in about ${t.comingHold.inMin} minutes`
    return {
      ...base,
      risk: 70 - Math.min(40, t.comingHold.inMin),
      danger: false,
      say: `**${t.apprentice}, table ${t.tableNumber}**, ${when}, before the ${t.comingHold.name}.`,
      why: times
    }
  }
  if (t.nextHazard && t.attemptsAtNext < 5)
    return { ...base, risk: 40, danger: false, say: `**${t.apprentice}, table ${t.tableNumber}**, soon: ${t.nextHazard}.`, why: times }
  const over = t.workedMin - t.standardMin
  if (over > 0)
    return {
      ...base,
      risk: 20 + Math.min(15, over),
      danger: false,
      say: `**${t.apprentice}, table ${t.tableNumber}**, is ${over} minutes over.`,
      why: `${t.dog} can stand ${t.canStandMin} more: sound, let it finish.`
    }
  if (t.leftMin > t.canStandMin)
    return {
      ...base,
      risk: 30,
      danger: false,
      say: `**${t.apprentice}, table ${t.tableNumber}**: ${t.leftMin} minutes of work, ${t.dog} can stand ${t.canStandMin}.`,
      why: 'Choose with them what to leave.'
    }
  return null
}
