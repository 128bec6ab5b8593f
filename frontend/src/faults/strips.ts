import { along, box, circle, closed, curve, mark, path, some, type Draw, type Mark } from './marks'

// A piece of the loop laid out: its underside up, bent over a knee so that what is wrong opens.
const strip = (): Mark[] => [mark('M8 52Q60 8 112 52L112 66Q60 22 8 66Z', 'belt')]
/** A point of the strip: t along it from 0 to 1, s from its lower edge (0) to its upper one (1). */
const on = (t: number, s: number): [number, number] => {
  const x = 8 + 104 * t
  const y = 66 - 14 * s - 44 * 2 * t * (1 - t)
  return [x, y]
}
const across = (t: number, from: number, to: number) => path(on(t, from), on(t + 0.004, to))
const teeth = (v: number, gone: (k: number) => number, round = 0): Mark[] =>
  along(14, 106, 7).map((x, k) => {
    const h = 14 * (1 - gone(k))
    const lean = round * v * 5
    return mark(
      `M${x - 5} 44L${x - 4 + lean} ${44 + h}Q${x} ${44 + h + 1} ${x + 4} ${44 + h - lean * 0.6}L${x + 5} 44Z`,
      'belt',
    )
  })
const toothed = (): Mark[] => [mark(box(8, 30, 104, 14), 'belt'), mark(path([8, 34], [112, 34]), 'light')]
const tails = (x: number, way: number, count: number, long: number): Mark[] =>
  Array.from({ length: count }, (_, k) =>
    mark(
      curve(
        x,
        30 + 3 * k,
        x + way * long * 0.6,
        27 + 4 * k,
        x + way * long * (0.7 + 0.5 * some(k)),
        26 + 5 * k + 6 * some(k + 9),
      ),
      'hair',
    ),
  )
const flat = (): Mark[] => [mark(box(8, 26, 104, 24), 'belt')]

export const strips: Record<string, Draw> = {
  'crack-across': (v) => [
    ...strip(),
    ...along(0.1, 0.9, 7)
      .map((t) => mark(across(t, 0, 0.75 * v), 'dark'))
      .filter(() => v),
  ],
  'crack-fine': (v) => [
    ...strip(),
    ...(v
      ? along(0.06, 0.94, 26).map((t, k) => mark(across(t, 0.15 + 0.6 * some(k), 0.25 + 0.7 * some(k)), 'hair'))
      : []),
  ],
  glaze: (v) => [
    ...strip(),
    ...(v
      ? [
          mark('M14 55Q60 15 106 55L106 60Q60 20 14 60Z', 'light'),
          mark(path([44, 31], [50, 22]), 'light'),
          mark(path([70, 30], [77, 22]), 'light'),
        ]
      : []),
  ],
  'burn-spot': (v) => [...strip(), ...(v ? [mark('M44 35Q60 25 76 35Q72 45 60 38Q50 44 44 35Z', 'dark')] : [])],
  chunk: (v) => [
    ...along(0.08, 0.92, 9).map((t, k) => {
      const [x, y] = on(t, 0)
      return mark(
        closed([x - 4, y - 2], [x + 4, y - 2], [x + 3, y + 7], [x - 3, y + 7]),
        v && [2, 3, 6].includes(k) ? 'gone' : 'belt',
      )
    }),
    ...strip(),
  ],
  'frayed-cord': (v) => [
    ...strip(),
    ...(v
      ? along(0.2, 0.8, 8).map((t, k) =>
          mark(path(on(t, 1), [on(t, 1)[0] + 4 * some(k) - 2, on(t, 1)[1] - 6 - 8 * some(k + 3)]), 'hair'),
        )
      : []),
  ],
  'back-wear': (v) => [
    ...strip(),
    ...(v ? [mark('M8 52Q60 8 112 52L112 56Q60 12 8 56Z', 'light'), mark('M30 30a14 14 0 1 1 .1 0Z', 'line')] : []),
  ],
  'snapped-cut': (v) => [
    mark(box(6, 28, v ? 48 : 52, 20), 'belt'),
    mark(box(v ? 66 : 58, 28, v ? 48 : 56, 20), 'belt'),
    ...(v ? [] : [mark(path([52, 38], [60, 38]), 'thick')]),
  ],
  'snapped-frayed': (v) =>
    v
      ? [
          mark('M6 28L46 28L40 34L48 38L41 43L47 48L6 48Z', 'belt'),
          mark('M114 28L74 28L80 33L72 39L79 44L73 48L114 48Z', 'belt'),
          ...tails(44, 1, 6, 16),
          ...tails(76, -1, 6, 14),
        ]
      : [mark(box(6, 28, 108, 20), 'belt')],
  'tooth-sheared': (v) => [
    ...toothed(),
    ...teeth(v, (k) => (v && [2, 3, 4].includes(k) ? 1 : 0)),
    ...(v ? [mark('M48 62l7 -2l4 7l-9 2Z', 'belt'), mark('M68 66l8 1l1 6l-9 -1Z', 'belt')] : []),
  ],
  'tooth-rounded': (v) => [...toothed(), ...teeth(v, () => 0.1 * v, 1)],
  'land-wear': (v) => [
    ...toothed(),
    ...teeth(v, () => 0),
    ...(v ? along(27, 93, 6).map((x) => mark(path([x - 3, 44], [x + 3, 44]), 'light')) : []),
  ],
  'edge-wear': (v) => [
    ...flat(),
    ...(v
      ? along(12, 108, 12).map((x, k) => mark(path([x, 50], [x + 3 * some(k), 54 + 9 * some(k + 2)]), 'hair'))
      : []),
  ],
  'back-cracks': (v) => [
    mark(circle(60, 22, 13), 'metal'),
    mark('M8 58Q38 58 46 34Q60 14 74 34Q82 58 112 58', 'thick'),
    ...(v
      ? [46, 52, 60, 68, 74].map((x, k) =>
          mark(path([x, 34 - 6 * (k === 2 ? 1.6 : 1)], [x + (k - 2) * 1.6, 26 - 8 * (k === 2 ? 1.4 : 1) + 14]), 'dark'),
        )
      : []),
  ],
  'ratchet-jump': (v) => [
    mark('M8 66Q60 34 112 66', 'thick'),
    ...along(18, 102, 6).map((x) => mark(box(x - 4, 66 - 0.5 * 32 * (1 - ((x - 60) / 52) ** 2) - 8, 8, 8), 'metal')),
    mark(`M8 ${50 - 8 * v}Q60 ${18 - 8 * v} 112 ${50 - 8 * v}`, 'thick'),
    ...along(18, 102, 6).map((x) =>
      mark(box(x - 3 + 7 * v, 50 - 8 * v - 16 * (1 - ((x - 60) / 52) ** 2), 6, 7), 'belt'),
    ),
  ],
  'joint-hooks-pulled': (v) => [
    mark(box(6, 24, 50 - 5 * v, 28), 'belt'),
    mark(box(64 + 5 * v, 24, 50 - 5 * v, 28), 'belt'),
    ...[28, 34, 40, 46].map((y, k) =>
      mark(curve(v && k === 1 ? 44 : 50, y, 60, y - 4, v && k === 2 ? 78 : 70, y), 'line'),
    ),
    ...(v ? [mark('M42 34h8', 'light'), mark('M72 40h8', 'light')] : []),
  ],
  'lap-open': (v) => [
    mark(closed([6, 34], [76, 34], [60, 46], [6, 46]), 'belt'),
    mark(closed([62, 46 - 12 * v], [46, 34 - 14 * v], [114, 34], [114, 46]), 'belt'),
    mark('M20 62h24m-6 -4l6 4l-6 4', 'line'),
  ],
  'track-off': (v) => [
    mark('M34 12Q28 38 34 64L86 64Q92 38 86 12Z', 'metal'),
    mark(box(42 + 22 * v, 6, 36, 66), 'belt'),
    mark(path([60, 4], [60, 72]), 'hair'),
  ],
}
