export type Answer = 'yes' | 'no' | 'not looked'

/** What was answered, by sign; a sign that is not there was not asked. */
export type Answers = Record<string, Answer>

/** The record's answers with the person's over them: who looked knows better than the log. */
export function together(evidence: { sign: string; answer: string }[], own: Answers): Answers {
  const out: Answers = {}
  for (const e of evidence) out[e.sign] = e.answer as Answer
  return { ...out, ...own }
}

/** The next state of a sign that is tapped: seen, looked and not so, not looked. */
export function tapped(now: Answer | undefined): Answer {
  return now === 'yes' ? 'no' : now === 'no' ? 'not looked' : 'yes'
}

/** Without the last answer that was given. */
export function withoutLast(own: Answers): Answers {
  const keys = Object.keys(own)
  const last = keys.at(-1)
  return Object.fromEntries(Object.entries(own).filter(([k]) => k !== last))
}

/** With an answer put last: what was said anew is what is taken back first. */
export function answered(own: Answers, sign: string, answer: Answer): Answers {
  return { ...Object.fromEntries(Object.entries(own).filter(([k]) => k !== sign)), [sign]: answer }
}
