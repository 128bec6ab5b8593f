// The client takes hold of fetch when it is made: it gets one that asks whoever serves at the moment.
const network = globalThis.fetch
globalThis.fetch = (...args: Parameters<typeof fetch>) => {
  const { served } = globalThis as unknown as { served?: typeof fetch }
  return (served ?? network)(...args)
}
