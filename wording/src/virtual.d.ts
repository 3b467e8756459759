declare module 'virtual:wording' {
  const languages: Readonly<Record<string, () => Promise<{ default: import('./say').Words }>>>
  export default languages
}
