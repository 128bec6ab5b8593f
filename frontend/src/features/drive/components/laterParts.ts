import { later } from '@/shared/ui/later'

// The stages that are forms are fetched beside the page, so that the first number need not wait for them.
export const ChooseStage = later(() => import('./ChooseStage.vue'))
export const DutyStage = later(() => import('./DutyStage.vue'))
export const FoundStage = later(() => import('./FoundStage.vue'))
// So is what lies under the first screen, what is opened by a key, and the sheet for paper.
export const TensionEnds = later(() => import('./TensionEnds.vue'))
export const TensionFall = later(() => import('./TensionFall.vue'))
export const AroundFigures = later(() => import('@/lists/AroundFigures.vue'))
export const AllFigures = later(() => import('@/shared/ui/AllFigures.vue'))
export const MarkAsk = later(() => import('./MarkAsk.vue'))
export const SettleBoth = later(() => import('@/shared/ui/SettleBoth.vue'))
export const DrivePaper = later(() => import('./DrivePaper.vue'))
// And what is seldom shown: a drive nobody knows, a loop that is a clutch.
export const EmptyDrive = later(() => import('./EmptyDrive.vue'))
export const ClutchSwitch = later(() => import('./ClutchSwitch.vue'))
