// A worker thread does not inherit the loader that reads TypeScript: it is registered here, then the work is loaded.
import { register } from 'tsx/esm/api'

register()

/** Calls one function of one module; both are named by the server itself, never by a request. */
export default async function call({ module, name, input }) {
  const loaded = await import(module)
  return loaded[name](input)
}
