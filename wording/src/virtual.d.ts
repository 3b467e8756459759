declare module 'virtual:wording' {
  import type { Words } from './say'
  type Load = () => Promise<{ default: Words }>
  const languages: Readonly<Record<string, { readonly first: Load; readonly rest: Load }>>
  export default languages
}
declare module 'virtual:wording/room-check' {
  import type { Words } from './say'
  const rooms: Readonly<Record<string, Words>>
  export default rooms
}
