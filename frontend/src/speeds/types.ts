import type { components } from '@/api/schema'

export type SpeedsOfDrive = components['schemas']['SpeedsView']
export interface StagesWay {
  says: string
  stages: { says: string; option: { family: string; input: Record<string, unknown> } }[]
}
