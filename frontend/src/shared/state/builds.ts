import type { Build } from '@/api/types'

/** What stands on the machine: settled, found or fitted, and not taken over by a later one. */
export const onTheMachine = (builds: Build[]): Build | undefined =>
  builds.find((b) => b.state === 'frozen' && b.purpose !== 'designed' && b.valid_to === null)
