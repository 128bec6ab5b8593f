import { ref, watch, type Ref } from 'vue'

/** A ref that outlives a closed tab or a crash until it is forgotten: nothing typed is lost. */
export function useKept<T extends object>(key: string, fresh: () => T): { value: Ref<T>; forget: () => void } {
  const name = `tuyere.kept.${key}`
  const read = (): T => {
    try {
      const stored = localStorage.getItem(name)
      return stored ? { ...fresh(), ...(JSON.parse(stored) as T) } : fresh()
    } catch {
      return fresh()
    }
  }
  const value = ref(read()) as Ref<T>
  watch(value, (v) => localStorage.setItem(name, JSON.stringify(v)), { deep: true })
  const forget = () => {
    value.value = fresh()
    // The watcher writes the fresh value after this tick; take the key away behind it.
    setTimeout(() => localStorage.removeItem(name))
  }
  return { value, forget }
}

/** A name for one operation: sent again with the same one, it is done once. */
export function newId(): string {
  if (typeof crypto.randomUUID === 'function') return crypto.randomUUID()
  const b = crypto.getRandomValues(new Uint8Array(16))
  b[6] = ((b[6] ?? 0) & 0x0f) | 0x40
  b[8] = ((b[8] ?? 0) & 0x3f) | 0x80
  const hex = [...b].map((x) => x.toString(16).padStart(2, '0')).join('')
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-${hex.slice(12, 16)}-${hex.slice(16, 20)}-${hex.slice(20)}`
}
