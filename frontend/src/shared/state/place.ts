import { reactive } from 'vue'

/** A step of the way home: works, machine, drive. */
export interface Crumb {
  name: string
  to: string
}
/** Where the person is, for the top bar: the way there and the page's own name. */
export const place = reactive({ way: [] as Crumb[], name: '' })

export function setPlace(name: string, way: Crumb[] = []): void {
  Object.assign(place, { way, name })
  document.title = name ? `${name} · Tuyere` : 'Tuyere'
}
export const BENCH: Crumb = { name: 'Bench', to: '/bench' }

/** The area as a place of the wall. */
export function areaCrumb(area: string): Crumb[] {
  return area ? [{ name: area, to: `/machines?q=${encodeURIComponent(area)}` }] : []
}

/** The way to a page of a drive; what is not known of it is left out. */
export function driveWay(known: {
  area?: string
  machine: string
  machineId?: string | null
  drive?: string
  driveId?: string
}): Crumb[] {
  const { area = '', machine, machineId, drive, driveId } = known
  return [
    ...areaCrumb(area),
    ...(machineId ? [{ name: machine, to: `/machines/${machineId}` }] : []),
    ...(drive && driveId ? [{ name: drive, to: `/drives/${driveId}` }] : []),
  ]
}
