import { machines } from './machines'
import { sections } from './section'
import { strips } from './strips'
import type { Draw } from './marks'

/** Every fault that has a drawing of its own, by the key that signs name. */
export const FAULTS: Record<string, Draw> = { ...sections, ...strips, ...machines }

/** Whether there is a drawing for a key. */
export const drawn = (key: string): boolean => key in FAULTS
