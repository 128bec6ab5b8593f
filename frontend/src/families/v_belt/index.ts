import type { RatingLine } from '@/api/types'
import { LENGTH } from '@/shared/state/carried'
import { later } from '@/shared/ui/later'

import type { FamilyForms } from '../forms'
import { fixedInput, fixedPaths, nothingFixed } from './fixed'
import FixedFieldset from './FixedFieldset.vue'
import { foundInput, knownFields, type VBeltFound } from './found'
import FoundFieldset from './FoundFieldset.vue'
import MindFieldset from './MindFieldset.vue'
import PickedFieldset from './PickedFieldset.vue'
import type { OwnRating } from './types'

// Opened by who compares the books.
const BooksDialog = later(() => import('./BooksDialog.vue'))

/** Rating lines as the calculations take them, core units. */
export const ownInput = (lines: RatingLine[]): OwnRating[] =>
  lines.map((l) => ({ section: l.section, diameter: l.diameter.value, speed: l.speed.value, power: l.power.value }))

/** What V-belts bring to the pages: grooves and diameters to type, books to pick from. */
export const vBelt: FamilyForms = {
  fixed: {
    component: FixedFieldset,
    ask: 'A part stays: sheave, section or belt',
    some: 'Parts that stay',
    empty: nothingFixed,
    input: (typed) => ({ fixed: fixedInput(typed) }),
    paths: fixedPaths,
    carried: { driver: LENGTH, driven: LENGTH },
  },
  picked: {
    component: PickedFieldset,
    ask: 'Rated by which book',
    empty: () => ({ series: '' }),
    input: (typed, beside) => ({
      series: typed.series || (beside.units === 'us' ? 'inch' : 'all'),
      own_ratings: beside.options.book === 'own-table' ? ownInput(beside.ratings) : undefined,
    }),
    paths: [],
  },
  mind: {
    component: MindFieldset,
    empty: () => ({ driver: '', driven: '', groove: 'B', belt: '' }),
    input: ({ driver, driven, groove, belt }) => {
      const wheel = (diameter?: string) => ({ diameter, kind: 'outside', groove })
      return { driver: wheel(driver), driven: wheel(driven), belt }
    },
    paths: ['driver', 'driven', 'belt'].map((n) => `input.this.${n}`),
    carried: { driver: LENGTH, driven: LENGTH },
  },
  found: {
    component: FoundFieldset,
    empty: knownFields,
    input: (typed) => foundInput(typed as VBeltFound),
    carried: { driver: LENGTH, driven: LENGTH, centre: LENGTH },
    paths: ['input.driver.sheave', 'input.driven.sheave', 'input.belt', 'input.centre_by_tape'],
    unknown: { to: '/what-belt', words: 'What is this belt?' },
  },
  beside: { component: BooksDialog, word: 'By every book' },
}
