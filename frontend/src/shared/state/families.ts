import { ref } from 'vue'

import { api, attempt } from '@/api/client'
import type { FamilyLine } from '@/api/types'

const families = ref<FamilyLine[]>([])
let asking: Promise<void> | undefined

/** The families of drives; asked for once. `known` waits until they are there. */
export function useFamilies() {
  const known = async () => {
    if (families.value.length) return families.value
    asking ??= attempt(api.GET('/api/families')).then((got) => {
      asking = undefined
      if (got.ok) families.value = got.data.families
    })
    await asking
    return families.value
  }
  void known()
  return { families, known }
}
