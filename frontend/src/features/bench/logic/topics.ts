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

// What has no card of its own stands under the question that it answers; searches and books are left to the lists below.
const OF: Record<string, Topic> = {
  'chain-match': 'Is it worn',
  'take-up-left': 'Is it worn',
  'bearing-heat': 'Is it worn',
  alignment: 'Is it in line and tight',
  'alignment-limits': 'Is it in line and tight',
  'run-out': 'Is it in line and tight',
  'soft-foot': 'Is it in line and tight',
  'tension-reading': 'Is it in line and tight',
  'tension-settling': 'Is it in line and tight',
  'belt-frequencies': 'Is it in line and tight',
  'belt-marking': 'What is it, does it fit',
  'belt-identify': 'What is it, does it fit',
  'belt-length-off': 'What is it, does it fit',
  'motor-speed': 'Speeds and sizes',
  'tach-check': 'Speeds and sizes',
  'belt-joint': 'Cut, join and set',
  'link-belt': 'Cut, join and set',
  'round-belt': 'Cut, join and set',
  'roller-conveyor': 'Cut, join and set',
  'quarter-turn': 'Cut, join and set',
  bushing: 'Cut, join and set',
  'service-factor': 'What it carries and costs',
  'bearing-life': 'What it carries and costs',
  'fan-speed': 'What it carries and costs',
  'pump-speed': 'What it carries and costs',
  crown: 'Make it',
}

// Names that say it themselves.
const LIKE: readonly (readonly [RegExp, Topic])[] = [
  [/-wear$/, 'Is it worn'],
  [/^made-/, 'Make it'],
  [/-length$|pulley$|^sprocket$/, 'Speeds and sizes'],
]

export const topicOf = (c: CalcLine): string | undefined =>
  c.card?.topic ?? OF[c.name] ?? LIKE.find(([like]) => like.test(c.name))?.[1]
