import { driveWay, type Crumb } from './place'

/** What this device has read of drives, so that a page of one says its way home without asking again. */
interface Known {
  area: string
  machine: string
  machineId: string
  drive: string
}
const KEY = 'tuyere.known.drives'
const MOST = 400

function all(): Record<string, Known> {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? '{}') as Record<string, Known>
  } catch {
    return {}
  }
}

export function rememberDrive(id: string, known: Known): void {
  const kept = Object.entries(all())
    .filter(([other]) => other !== id)
    .slice(-(MOST - 1))
  try {
    localStorage.setItem(KEY, JSON.stringify({ ...Object.fromEntries(kept), [id]: known }))
  } catch {
    // A full storage costs the names on the way home, nothing else.
  }
}

/** The way to a page of this drive, by what is known of it here. */
export function wayOfDrive(id: string, machine = '', drive = ''): Crumb[] {
  const known = all()[id]
  return driveWay({
    area: known?.area,
    machine: known?.machine ?? machine,
    machineId: known?.machineId,
    drive: known?.drive ?? (drive || 'The drive'),
    driveId: id,
  })
}
