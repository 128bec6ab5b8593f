import type { Elevation } from '@/api/types'

/** How wide the belt is drawn, pixels: on its wheels, and its tight and slack strands; never so thin that it is lost. */
export function beltWidth(e: Elevation, scale: number, small = false) {
  const arc = Math.max(small ? 2.5 : 6, e.thickness * scale)
  return { arc, tight: arc * (small ? 1.15 : 1.3), slack: Math.max(small ? 1.1 : 2.5, arc * 0.42) }
}
