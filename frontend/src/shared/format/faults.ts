import type { Fault, Problem } from '@/api/types'

/** Faults by the field they belong to; a shorter path also answers for the fields below it. */
export function faultAt(problem: Problem | null, ...paths: string[]): Fault | undefined {
  return problem?.errors.find((e) => paths.some((p) => e.path === p || e.path.startsWith(p + '.')))
}

/** Faults that none of the fields shown will show beside itself. */
export function otherFaults(problem: Problem | null, shown: string[]): Fault[] {
  if (!problem) return []
  const rest = problem.errors.filter((e) => !shown.some((p) => e.path === p || e.path.startsWith(p + '.')))
  if (problem.errors.length) return rest
  return [{ path: '', reason: problem.detail || problem.title, allowed: '' }]
}

/** A fault in one line: the reason, then what is allowed. */
export function faultText(fault: Fault): string {
  return fault.allowed ? `${fault.reason} · allowed: ${fault.allowed}` : fault.reason
}
