import type { CalcLine } from '@/api/types'

/** What a person wants to know, in the order of the bench. */
export const TOPICS = [
  'Is it worn',
  'Is it in line and tight',
  'What is it, does it fit',
  'Speeds and sizes',
  'Cut, join and set',
  'What it carries and costs',
  'Make it',
] as const
export type Topic = (typeof TOPICS)[number]

// What is asked on a page of its own stands under the question that it answers; searches and books are left to the lists below.
const OF: Record<string, Topic> = {
  alignment: 'Is it in line and tight',
  'tension-reading': 'Is it in line and tight',
  'tach-check': 'Speeds and sizes',
}

export const topicOf = (c: CalcLine): string | undefined => c.card?.topic ?? OF[c.name]
