// Gives a build the messages, parsed. `virtual:wording` names the languages; of each, `first` is what the door and the floor say, `rest`
// what the other rooms do (`virtual:wording/first-en-GB`); `virtual:wording/room-check` is one room in every language.
import type { Plugin } from 'vite'
import { filesOf, FIRST_LANGUAGE, languages, readOwn, readWords } from './files.ts'
import { PSEUDO, pseudoWords } from './pseudo.ts'
import type { Words } from './say'

const NAME = 'virtual:wording'
const PARTS = ['first', 'rest'] as const
/** The rooms that are seen before any other is chosen. */
const FIRST_ROOMS = ['shell', 'door', 'floor', 'figure']

/** The module of a part: its file is named by its end, so that a build can tell the languages apart. */
const idOf = (language: string, part: string) => `${NAME}/${part}-${language}`
const isFirst = (key: string) => FIRST_ROOMS.includes(key.split('.')[0]!)
const partOf = (words: Words, part: string) =>
  Object.fromEntries(Object.entries(words).filter(([key]) => isFirst(key) === (part === 'first')))
/** Where a part stood in its text is of no use to the renderer. */
const source = (value: unknown) => JSON.stringify(value, (key, part: unknown) => (key === 'location' ? undefined : part))

function oneLanguage(language: string, part: string): string {
  if (language === PSEUDO) return `export default ${source(partOf(pseudoWords(readWords(FIRST_LANGUAGE)), part))}`
  if (language === FIRST_LANGUAGE) return `export default ${source(partOf(readWords(language), part))}`
  // another English says most of it alike: that is loaded once
  return `import alike from '${idOf(FIRST_LANGUAGE, part)}'\nexport default { ...alike, ...${source(partOf(readOwn(language), part))} }`
}

/** Of each language what one room says, for a page that holds everything in itself. */
function ofRoom(room: string): string {
  const own = (language: string) => Object.entries(readWords(language)).filter(([key]) => key.startsWith(`${room}.`))
  return `export default { ${languages()
    .map((one) => `${JSON.stringify(one)}: ${source(Object.fromEntries(own(one)))}`)
    .join(', ')} }`
}

function list(): string {
  const loads = (language: string) => PARTS.map((part) => `${part}: () => import('${idOf(language, part)}')`).join(', ')
  return `export default { ${[...languages(), PSEUDO].map((one) => `${JSON.stringify(one)}: { ${loads(one)} }`).join(', ')} }`
}

export function wording(): Plugin {
  return {
    name: 'peen-wording',
    resolveId: (id) => (id === NAME || id.startsWith(`${NAME}/`) ? `\0${id}` : undefined),
    load(id) {
      if (!id.startsWith(`\0${NAME}`)) return
      const [, part, language] = /^\/([a-z]+)-(.+)$/.exec(id.slice(NAME.length + 1)) ?? []
      if (!language || !part) return list()
      for (const file of languages().flatMap(filesOf)) this.addWatchFile(file)
      return part === 'room' ? ofRoom(language) : oneLanguage(language, part)
    }
  }
}
