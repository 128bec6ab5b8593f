/** Where the blanks of a card hang on its picture, in hundredths of its width and height. */
export const PLACES: Record<string, { path: string; label: string; x: number; y: number }[]> = {
  'chain-tape': [{ path: 'measured', label: 'the tape reads', x: 40, y: 88 }],
  wheels: [
    { path: 'driver_diameter', label: 'driver', x: 12, y: 30 },
    { path: 'driver_speed', label: 'turns at', x: 12, y: 66 },
    { path: 'driven_diameter', label: 'driven', x: 90, y: 30 },
    { path: 'driven_speed', label: 'turns at', x: 90, y: 66 },
    { path: 'centre_distance', label: 'apart', x: 50, y: 90 },
  ],
  cut: [
    { path: 'driver_diameter', label: 'driver', x: 10, y: 24 },
    { path: 'driven_diameter', label: 'driven', x: 92, y: 24 },
    { path: 'centre_distance', label: 'apart', x: 50, y: 90 },
  ],
  slack: [{ path: 'hand_movement', label: 'moves', x: 80, y: 48 }],
  'groove-gauge': [{ path: 'driver.gap', label: 'light', x: 21, y: 47 }],
  sprocket: [{ path: 'caliper', label: 'the caliper reads', x: 78, y: 88 }],
  'take-up': [
    { path: 'moved', label: 'moved', x: 20, y: 90 },
    { path: 'left', label: 'travel left', x: 84, y: 34 },
  ],
  strip: [
    { path: 'thickness', label: 'thick', x: 8, y: 52 },
    { path: 'width', label: 'wide', x: 50, y: 91 },
  ],
  toothed: [{ path: 'outside', label: 'the caliper reads', x: 78, y: 88 }],
  housing: [
    { path: 'bearing', label: 'housing', x: 32, y: 30 },
    { path: 'around', label: 'air round it', x: 55, y: 48 },
  ],
  bearings: [
    { path: 'pull', label: 'pull', x: 9, y: 70 },
    { path: 'overhang', label: 'overhang', x: 31, y: 89 },
    { path: 'spacing', label: 'bearings apart', x: 62, y: 89 },
  ],
  plan: [
    { path: 'centre', label: 'apart', x: 33, y: 50 },
    { path: 'diameter', label: 'across', x: 7, y: 50 },
  ],
  dial: [{ path: 'diameter', label: 'across', x: 38, y: 52 }],
  feet: [
    { path: 'inboard_near', label: 'lifts', x: 20, y: 20 },
    { path: 'outboard_near', label: 'lifts', x: 80, y: 20 },
    { path: 'inboard_far', label: 'lifts', x: 20, y: 88 },
    { path: 'outboard_far', label: 'lifts', x: 80, y: 88 },
  ],
  quarter: [
    { path: 'large', label: 'across', x: 10, y: 46 },
    { path: 'centre', label: 'apart', x: 52, y: 47 },
  ],
  bearing: [
    { path: 'load', label: 'load', x: 64, y: 12 },
    { path: 'speed', label: 'turns at', x: 22, y: 56 },
  ],
  bushing: [{ path: 'shaft', label: 'shaft', x: 84, y: 50 }],
  crown: [
    { path: 'diameter', label: 'across', x: 18, y: 30 },
    { path: 'face', label: 'face', x: 50, y: 76 },
  ],
  link: [{ path: 'path', label: 'path by tape', x: 76, y: 82 }],
  loop: [
    { path: 'path', label: 'path by tape', x: 50, y: 92 },
    { path: 'diameter', label: 'thick', x: 90, y: 12 },
  ],
  'two-chains': [
    { path: 'drive_length', label: 'over them', x: 52, y: 47 },
    { path: 'driven_length', label: 'over them', x: 52, y: 90 },
  ],
  motor: [
    { path: 'power', label: 'motor', x: 52, y: 36 },
    { path: 'speed', label: 'turns at', x: 52, y: 62 },
  ],
}
