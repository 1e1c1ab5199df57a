let reads = false

/**
 * Calls one function of one module; both are named by the server itself, never by a request. A worker thread does not inherit the loader that
 * reads TypeScript: it is registered here for a server that runs from its sources.
 */
export default async function call({ module, name, input }) {
  if (module.endsWith('.ts') && !reads) {
    const { register } = await import('tsx/esm/api')
    register()
    reads = true
  }
  const loaded = await import(module)
  return loaded[name](input)
}
