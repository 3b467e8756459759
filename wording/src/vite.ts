// Gives a build the messages, parsed: `virtual:wording` names the languages, `virtual:wording/en-GB` holds the messages of one.
import type { Plugin } from 'vite'
import { filesOf, FIRST_LANGUAGE, languages, readOwn, readWords } from './files.ts'
import { PSEUDO, pseudoWords } from './pseudo.ts'

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
      if (language === PSEUDO) return asModule(pseudoWords(readWords(FIRST_LANGUAGE)))
      if (language === FIRST_LANGUAGE) return asModule(readWords(FIRST_LANGUAGE))
      // another English says most of it alike: it is loaded once
      return `import first from '${NAME}/${FIRST_LANGUAGE}'\n${asModule(readOwn(language)).replace('export default ', 'export default { ...first, ...')} }`
    }
  }
}
