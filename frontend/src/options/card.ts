import type { Option } from '@/api/types'
import { fit } from '@/elevation/frame'

/** The drawing on a card, in units of its view box. */
export const CARD = { w: 300, h: 118, inset: { left: 8, right: 8, top: 7, bottom: 7 } }

/** One scale for all cards, so that a bigger drive looks bigger. */
export const commonScale = (options: Option[]): number =>
  Math.min(...options.map((o) => fit(o.elevation, CARD.w, CARD.h, CARD.inset, 0).scale), Infinity)

/** Tells two options of one name apart. */
export const optionKey = (o: Option): string => `${o.family} ${o.name} ${o.telling}`
