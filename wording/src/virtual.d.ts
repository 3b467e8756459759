declare module 'virtual:wording' {
  import type { Words } from './say'
  type Load = () => Promise<{ default: Words }>
  const languages: Readonly<Record<string, { readonly first: Load; readonly rest: Load }>>
  export default languages
}
