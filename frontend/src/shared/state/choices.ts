import { ref } from 'vue'

import { api, attempt } from '@/api/client'
import type { Choice } from '@/api/types'

const drivers = ref<Choice[]>([])
const machines = ref<Choice[]>([])
/** They have been read, or cannot be: what asks with them may be drawn, and will not move any more. */
const settled = ref(false)

/** Drivers and driven machines a duty can name; asked for once. */
export function useChoices() {
  if (!drivers.value.length) {
    void attempt(api.GET('/api/choices')).then((got) => {
      settled.value = true
      if (!got.ok) return
      drivers.value = got.data.drivers
      machines.value = got.data.driven_machines
    })
  }
  return { drivers, machines, settled }
}
