import { ref, type Ref } from 'vue'

/** A value whose changes can be taken back, what is typed as well: a run of keys counts as one. */
export function useHistory<T>(value: Ref<T>): {
  past: Ref<string[]>
  change: (next: T) => void
  undo: () => void
  typedOn: () => void
  begin: () => void
} {
  const past = ref<string[]>([])
  let now = JSON.stringify(value.value)
  let typedAt = 0
  const remember = () => {
    past.value = [...past.value.slice(-99), now]
  }
  return {
    past,
    change(next) {
      remember()
      typedAt = 0
      now = JSON.stringify(next)
      value.value = next
    },
    undo() {
      const last = past.value.at(-1)
      if (!last) return
      past.value = past.value.slice(0, -1)
      typedAt = 0
      now = last
      value.value = JSON.parse(last) as T
    },
    typedOn() {
      const next = JSON.stringify(value.value)
      if (next === now) return
      if (Date.now() - typedAt > 1500) remember()
      typedAt = Date.now()
      now = next
    },
    /** What stands now is where it begins: nothing before it can be taken back. */
    begin() {
      past.value = []
      now = JSON.stringify(value.value)
      typedAt = 0
    },
  }
}
