import type { Component } from 'vue'

import type { DriveInput, Options, RatingLine, Units } from '@/api/types'
import type { UnitPair } from '@/shared/state/carried'

/** What is typed in a form of a family: by field, empty where it is left open. */
export type Typed = Record<string, string>

/** A form that one family brings: its fields, what they are sent as, and where refusals of them point. */
export interface FamilyForm {
  /** Takes `v-model: Typed` and `problem`. */
  component: Component
  empty: () => Typed
  input: (typed: Typed, beside: Beside) => DriveInput
  paths: string[]
  /** Fields whose bare numbers carry the unit that they were typed in. */
  carried?: Record<string, UnitPair>
}
/** What a search knows beside its own fields. */
export interface Beside {
  options: Options
  units: Units
  ratings: RatingLine[]
}
/** What stands on a machine, as a family asks it: takes `v-model: Found`, `problem` and `units`. */
export interface FoundForm {
  component: Component
  empty: (last: { input: DriveInput; entries: string[] } | null) => Found
  /** The input but for power and speed. */
  input: (typed: Found) => DriveInput
  carried: Record<string, UnitPair>
  paths: string[]
  /** Where somebody goes who cannot say what it is. */
  unknown?: { to: string; words: string }
}
export type Found = Record<string, string | boolean>

/**
 * What a family brings to the pages beyond what its calculations say of themselves. All of it may be left out: then
 * the forms are made from the schemas, and the page shows what every family has.
 */
export interface FamilyForms {
  /** Parts that stay, in its search. */
  fixed?: FamilyForm & { ask: string; some: string }
  /** What is picked beside its search, under the choices of its options. */
  picked?: FamilyForm & { ask: string }
  /** A drive somebody has in mind, for "why not this one?". */
  mind?: FamilyForm
  found?: FoundForm
  /** The same drive by other books: takes `v-model`, `input`, `options`; emits `use` with options. */
  beside?: { component: Component; word: string }
}
