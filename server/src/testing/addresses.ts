import { ROUTES } from '../app'

/** Every GET address with everything that could stand in it; the stream of events is none that ends. */
export function addressesWith(values: Readonly<Record<string, readonly string[]>>): readonly string[] {
  const filled = (path: string): string[] => {
    const name = /:([a-zA-Z]+)/.exec(path)?.[1]
    if (!name) return [path]
    if (!values[name]) throw new Error(`no value for :${name} of ${path}: say what may stand there`)
    return values[name].flatMap((value) => filled(path.replace(`:${name}`, value)))
  }
  return ROUTES.filter(({ method, path }) => method === 'get' && path !== '/live').flatMap(({ path }) => filled(path))
}
