import { along, box, circle, closed, curve, mark, path, type Draw, type Mark } from './marks'

// Wheels, idlers, chains and what stands round them.
const turned = (x: number, y: number, w: number, h: number, deg: number) => {
  const a = (deg * Math.PI) / 180
  const at = (px: number, py: number): [number, number] => [
    x + px * Math.cos(a) - py * Math.sin(a),
    y + px * Math.sin(a) + py * Math.cos(a),
  ]
  return closed(at(-w / 2, -h / 2), at(w / 2, -h / 2), at(w / 2, h / 2), at(-w / 2, h / 2))
}
const links = (y: (k: number) => number, apart = 16): Mark[] =>
  Array.from({ length: 6 }, (_, k) => [
    mark(path([14 + apart * k, y(k)], [14 + apart * (k + 1), y(k + 1)]), 'thick'),
    mark(circle(14 + apart * k, y(k), 4), 'metal'),
  ]).flat()
const plate = (x: number): Mark[] => [
  mark(`M${x - 22} 38a12 12 0 1 1 22 -6h8a12 12 0 1 1 0 12h-8a12 12 0 0 1 -22 -6Z`, 'metal'),
  mark(circle(x - 12, 38, 5), 'line'),
  mark(circle(x + 18, 38, 5), 'line'),
]

export const machines: Record<string, Draw> = {
  twist: (v) => [
    mark(turned(34, 38, 10, 56, 0), 'metal'),
    mark(turned(86, 38, 10, 56, 12 * v), 'metal'),
    mark(path([34, 4], [34, 72]), 'hair'),
    mark(path([86, 4], [86, 72]), 'hair'),
  ],
  toe: (v) => [
    mark(turned(28, 38, 12, 52, 0), 'metal'),
    mark(turned(92, 38, 12, 52, 14 * v), 'metal'),
    ...[24, 38, 52].map((y) => mark(path([34, y], [86, y + 3 * v]), 'thick')),
    mark(path([22, 66], [98, 66]), 'line'),
  ],
  offset: (v) => [
    mark(box(12, 30, 40, 12), 'metal'),
    mark(box(68, 30 - 14 * v, 40, 12), 'metal'),
    mark(path([6, 42], [114, 42]), 'line'),
    mark(path([32, 36], [88, 36 - 14 * v]), 'thick'),
  ],
  flap: (v) => [
    mark(circle(28, 36, 16), 'metal'),
    mark(circle(28, 36, 3), 'dark'),
    mark(path([24, 20], [114, 12]), 'thick'),
    mark(curve(30, 52, 72, 56, 114, 54), 'thick'),
    ...(v ? [mark(curve(30, 52, 72, 38, 114, 54), 'gone'), mark(curve(30, 52, 72, 74, 114, 54), 'gone')] : []),
  ],
  'polished-guard': (v) => [
    mark(box(14, 8, 92, 10), 'metal'),
    mark(curve(6, v ? 24 : 44, 60, v ? 18 : 38, 114, v ? 24 : 44), 'thick'),
    ...(v ? [mark(path([42, 17], [78, 17]), 'light')] : []),
    mark(circle(22, 60, 12), 'metal'),
  ],
  'idler-cocked': (v) => [
    mark(turned(60, 34, 44, 22, 12 * v), 'metal'),
    mark(turned(60, 34, 70, 4, 12 * v), 'line'),
    mark(box(46 + 12 * v, 4, 22, 68), 'belt'),
  ],
  'route-wrong': (v) => [
    mark(circle(26, 40, 14), 'metal'),
    mark(circle(94, 40, 14), 'metal'),
    mark(circle(60, 22, 4), 'dark'),
    mark(v ? 'M26 26L60 14L94 26' : 'M26 26L60 29L94 26', 'thick'),
    mark(path([26, 54], [94, 54]), 'thick'),
  ],
  'adjust-screw-on-thread': (v) => [
    mark(circle(60, 38, 26), 'metal'),
    mark(v ? circle(60, 38, 12) : 'M49 33h22v10a12 12 0 0 1 -22 0Z', 'line'),
    mark(box(56, 10, 8, v ? 16 : 23), 'dark'),
  ],
  'flange-bent': (v) => [
    mark(box(20, 24, 70, 30), 'metal'),
    mark(box(14, 12, 6, 54), 'metal'),
    mark(turned(94 + 6 * v, 39, 6, 54, -16 * v), 'metal'),
    mark(box(26 + 14 * v, 16, 62, 10), 'belt'),
  ],
  'hooked-tooth': (v) => [
    mark(
      `M10 66L26 66Q34 66 36 52L${42 + 10 * v} ${20 + 4 * v}Q${46 + 12 * v} ${14 + 6 * v} ${50 + 8 * v} 26L54 52Q58 66 66 66L82 66Q90 66 92 52L${98 + 10 * v} ${20 + 4 * v}Q${102 + 10 * v} ${14 + 6 * v} ${106 + 6 * v} 28L110 52`,
      'thick',
    ),
    mark(circle(74, 56, 9), 'metal'),
  ],
  'chain-stretched': (v) => [
    mark(curve(10, 70, 60, 20, 110, 70), 'thick'),
    ...along(16, 104, 6).map((x) =>
      mark(
        closed(
          [x - 4, 66 - 25 * (1 - ((x - 60) / 50) ** 2)],
          [x, 56 - 25 * (1 - ((x - 60) / 50) ** 2)],
          [x + 4, 66 - 25 * (1 - ((x - 60) / 50) ** 2)],
        ),
        'metal',
      ),
    ),
    ...links((k) => 54 - 8 * v - 6 * Math.sin((k * Math.PI) / 6) * 4 + 6 * (1 - v)),
  ],
  'stiff-link': (v) => [...links((k) => 30 + 4 * Math.abs(k - 3) + (k === 3 ? -12 * v : 0))],
  'dry-joint': (v) => [
    ...plate(58),
    ...(v
      ? [0, 1, 2, 3, 4, 5].map((k) => mark(circle(66 + 5 * Math.cos(k) * 2, 50 + 3 * k, 1.6), 'dark'))
      : [mark('M76 50q-4 7 0 9q4 -2 0 -9Z', 'light')]),
  ],
  'plate-wear-inside': (v) => [
    mark(box(24, 12, 8, 52), 'metal'),
    mark(v ? 'M88 12h8v52h-8q-6 -26 0 -52Z' : box(88, 12, 8, 52), 'metal'),
    mark(box(32, 32, 56, 12), 'belt'),
    ...(v ? [mark('M88 20q-5 18 0 36', 'light')] : []),
  ],
  'clip-wrong': (v) => [
    ...plate(58),
    mark(v ? 'M92 30h-44a8 8 0 0 0 0 16h44' : 'M32 30h44a8 8 0 0 1 0 16h-44', 'thick'),
    mark('M30 68h40m-8 -5l8 5l-8 5', 'line'),
  ],
  'link-plate-crack': (v) => [...plate(58), ...(v ? [mark('M76 32l3 -5l-2 -4l4 -6', 'dark')] : [])],
}
