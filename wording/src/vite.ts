// Gives a build the messages, parsed: `virtual:wording` names the languages, `virtual:wording/en-GB` holds the messages of one.
import type { Plugin } from 'vite'
import { filesOf, FIRST_LANGUAGE, languages, readWords } from './files'
import { PSEUDO, pseudoWords } from './pseudo'

const NAME = 'virtual:wording'
/** No placeholders of where a part stood in its text: they are of no use to the renderer. */
const asModule = (value: unknown) => `export default ${JSON.stringify(value, (key, part: unknown) => (key === 'location' ? undefined : part))}`

export function wording(): Plugin {
  return {
    name: 'peen-wording',
    resolveId: (id) => (id === NAME || id.startsWith(`${NAME}/`) ? `\0${id}` : undefined),
    load(id) {
      if (!id.startsWith(`\0${NAME}`)) return
      const language = id.slice(NAME.length + 2)
      if (!language) {
        const all = [...languages(), PSEUDO].map((one) => `${JSON.stringify(one)}: () => import('${NAME}/${one}')`)
        return `export default { ${all.join(', ')} }`
      }
      for (const file of languages().flatMap(filesOf)) this.addWatchFile(file)
      return asModule(language === PSEUDO ? pseudoWords(readWords(FIRST_LANGUAGE)) : readWords(language))
    }
  }
}
