import type { FamilyForms } from './forms'
import { vBelt } from './v_belt'

// The only place of the pages where families are named: which of them bring forms of their own.
const FORMS: Record<string, FamilyForms> = { 'v-belt': vBelt }

/** What a family brings to the pages; nothing for one that leaves all to its schemas. */
export const formsOf = (family: string | undefined): FamilyForms => FORMS[family ?? ''] ?? {}
