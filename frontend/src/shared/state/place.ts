import { reactive } from 'vue'

/** Where the person is, for the top bar; `isolation` is the machine's state in words when one is in sight. */
export const place = reactive({ area: '', name: '', to: '' })

export function setPlace(area = '', name = '', to = ''): void {
  Object.assign(place, { area, name, to })
  document.title = name ? `${name} · Tuyere` : 'Tuyere'
}
