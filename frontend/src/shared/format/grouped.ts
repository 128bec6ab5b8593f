/** A list by what its things have in common, in the order in which that first comes. */
export function grouped<T, K>(list: readonly T[], of: (one: T) => K): [K, T[]][] {
  const found = new Map<K, T[]>()
  for (const one of list) {
    const key = of(one)
    const own = found.get(key)
    if (own) own.push(one)
    else found.set(key, [one])
  }
  return [...found]
}
