import type { Build, Drive, DriveAnswer, Units } from '@/api/types'
import { inSystem } from '@/shared/format/designation'

import type { Stage } from '../components/StageStrip.vue'

/** The state of a drive's stages, each with one short true line. */
export function stagesOf(
  drive: Drive,
  build: Build | undefined,
  answer: DriveAnswer | null,
  working = false,
  units: Units = 'us',
): Stage[] {
  const found = drive.builds.find((b) => b.purpose !== 'designed')
  const duty = drive.duty
  const r = answer?.sheet
  const assumed =
    answer?.notices.some((n) => n.code === 'assumed' || n.code === 'driver-assumed') ?? !duty?.service_factor
  const danger = answer?.notices.some((n) => n.level === 'danger')
  const spare = r?.spare
  const short = spare ? spare.value < 0 : false
  const carries = !spare
    ? 'not rated'
    : short
      ? `${spare.number.replace('-', '')} % short`
      : `${spare.number} % to spare`
  const off = r?.wanted && !r.wanted.within ? r.wanted.says : ''
  return [
    {
      key: 'found',
      word: 'Found',
      line: found ? `${inSystem(found.what, units)}${found.temporary ? ', temporary' : ''}` : 'what is there?',
      state: found ? (found.temporary ? 'watch' : 'fine') : 'none',
    },
    {
      key: 'duty',
      word: 'Duty',
      line: duty ? `${duty.power.shown}, ${duty.driven_speed.shown}${assumed ? ', assumed' : ''}` : 'what must it do?',
      state: duty ? (assumed ? 'watch' : 'fine') : 'none',
    },
    {
      key: 'choose',
      word: 'Choose',
      line:
        !r && working
          ? 'being worked'
          : r
            ? off
              ? `${off}, ${short ? 'short' : carries}`
              : carries
            : build
              ? 'see what is wrong'
              : 'find a drive',
      state:
        !r && working
          ? 'none'
          : r
            ? danger
              ? 'act'
              : short || off || !spare
                ? 'watch'
                : 'fine'
            : build
              ? 'act'
              : 'none',
    },
    {
      key: 'tension',
      word: 'Tension',
      line: r ? r.set_line : working && build ? 'being worked' : 'after a drive is chosen',
      state: 'none',
    },
  ]
}
