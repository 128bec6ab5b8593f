import { box, circle, closed, curve, mark, path, type Draw, type Mark } from './marks'

// Cross-sections: a V-belt in its groove. Level 0 is a good one, 1 the fault at its clearest.
const TOP = 20
const BOTTOM = 62

/** A groove in hatched metal; flanks hollow by `dish`, bottom round by `u`. */
function groove(dish = 0, u = 0): Mark[] {
  const left = [34, TOP] as const
  const right = [86, TOP] as const
  const l = `M34 ${TOP}Q${44 - 7 * dish} ${(TOP + BOTTOM) / 2 + 4} ${48 - 3 * u} ${BOTTOM}`
  const r = `M86 ${TOP}Q${76 + 7 * dish} ${(TOP + BOTTOM) / 2 + 4} ${72 + 3 * u} ${BOTTOM}`
  const hatch = [10, 16, 22, 28].flatMap((x, k) => [
    mark(path([x, TOP + 4 + 3 * k], [x - 6, TOP + 14 + 3 * k]), 'hair'),
    mark(path([x + 82, TOP + 4 + 3 * k], [x + 76, TOP + 14 + 3 * k]), 'hair'),
    mark(path([x, TOP + 24 + 3 * k], [x - 6, TOP + 34 + 3 * k]), 'hair'),
    mark(path([x + 82, TOP + 24 + 3 * k], [x + 76, TOP + 34 + 3 * k]), 'hair'),
  ])
  return [
    mark(path([6, TOP], [left[0], left[1]]), 'thick'),
    mark(path([right[0], right[1]], [114, TOP]), 'thick'),
    mark(l, 'thick'),
    mark(r, 'thick'),
    mark(
      u ? curve(48 - 3 * u, BOTTOM, 60, BOTTOM + 9 * u, 72 + 3 * u, BOTTOM) : path([48, BOTTOM], [72, BOTTOM]),
      'thick',
    ),
    ...hatch,
  ]
}

/** The belt: `drop` how far it sits down, losses on each side, wider by `more`, turned by `lean` (degrees). */
function belt(at: { drop?: number; left?: number; right?: number; more?: number; lean?: number }): Mark[] {
  const { drop = 0, left = 0, right = 0, more = 0, lean = 0 } = at
  const a = (lean * Math.PI) / 180
  const turn = ([x, y]: [number, number]): [number, number] => [
    60 + (x - 60) * Math.cos(a) - (y - 38) * Math.sin(a),
    38 + (x - 60) * Math.sin(a) + (y - 38) * Math.cos(a),
  ]
  const y = TOP + 1 + drop
  const corners: [number, number][] = [
    [35.5 - more + left, y],
    [84.5 + more - right, y],
    [76 + more / 2 - 0.7 * right, y + 26],
    [44 - more / 2 + 0.7 * left, y + 26],
  ]
  const cord = [42, 49, 56, 63, 70, 77].map((x) => turn([x, y + 6]))
  return [mark(closed(...corners.map(turn)), 'belt'), ...cord.map(([x, v]) => mark(circle(x, v, 1.3), 'light'))]
}

export const sections: Record<string, Draw> = {
  'one-side-wear': (v) => [
    ...groove(),
    ...belt({ right: 10 * v, lean: 9 * v, drop: 2 * v }),
    ...(v ? [mark('M84.5 21L76 47', 'gone')] : []),
  ],
  'even-wear': (v) => [...groove(), ...belt({ left: 5 * v, right: 5 * v, drop: 9 * v })],
  'belt-bottoms': (v) => [
    ...groove(),
    ...belt({ drop: 14 * v, left: 4 * v, right: 4 * v }),
    ...(v ? [mark(path([49, BOTTOM - 1], [71, BOTTOM - 1]), 'light')] : []),
  ],
  'rides-high': (v) => [...groove(), ...belt({ drop: -12 * v, more: 3 * v })],
  'dished-groove': (v) => [...groove(v), mark(closed([36, 21], [84, 21], [73, 60], [47, 60]), 'line')],
  'u-groove': (v) => [...groove(0.8 * v, v), ...belt({ drop: 8 * v })],
  'turned-over': (v) =>
    v
      ? [
          ...groove(),
          mark(closed([44, 26], [76, 26], [80, 46], [66, 56], [40, 46]), 'belt'),
          mark(path([46, 50], [74, 53]), 'light'),
        ]
      : [...groove(), ...belt({})],
  swollen: (v) => [
    ...groove(),
    mark(
      `M${35 - 3 * v} ${20 - 4 * v}Q60 ${20 - 9 * v} ${85 + 3 * v} ${20 - 4 * v}L76 46Q60 ${46 + 6 * v} 44 46Z`,
      'belt',
    ),
    ...(v ? [mark('M60 4q-4 6 0 8q4 -2 0 -8Z', 'dark'), mark('M78 8q-3 5 0 6q3 -1 0 -6Z', 'dark')] : []),
  ],
  'groove-nick': (v) => [
    ...groove(),
    ...belt({}),
    ...(v ? [mark('M86 20l-7 -5l3 8Z', 'dark'), mark('M84 22l-6 4l5 3', 'gone')] : []),
  ],
  'tie-torn': (v) => [
    ...[14, 48, 82].map((x) => mark(closed([x, 30], [x + 26, 30], [x + 20, 56], [x + 6, 56]), 'belt')),
    mark(v ? 'M14 22h26v7h-26ZM56 18l18 -3l3 7l-19 4ZM82 22h26v7h-26Z' : box(14, 22, 94, 7), 'metal'),
    ...(v ? [mark('M41 24l4 2l3 -3l4 4', 'line'), mark('M75 19l4 3', 'line')] : []),
  ],
  'unequal-set': (v) => [
    ...[0, 1, 2, 3].map((k) => {
      const sag = k === 2 ? 4 + 16 * v : 4
      return mark(curve(8, 18 + 13 * k, 60, 18 + 13 * k + 2 * sag, 112, 18 + 13 * k), 'thick')
    }),
    mark(path([6, 10], [6, 66]), 'line'),
    mark(path([114, 10], [114, 66]), 'line'),
  ],
}
