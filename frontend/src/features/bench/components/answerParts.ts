import { later } from '@/shared/ui/later'

// What an answer of a plain form may be shown by: none of it is there before it is asked.
export const FamilyBoard = later(() => import('@/options/FamilyBoard.vue'))
export const FigureTable = later(() => import('@/shared/ui/FigureTable.vue'))
export const JointCard = later(() => import('./JointCard.vue'))
export const MovesPicture = later(() => import('@/line/MovesPicture.vue'))
export const OptionList = later(() => import('@/options/OptionList.vue'))
export const PictureFiles = later(() => import('@/drawing/PictureFiles.vue'))
export const ReadingBar = later(() => import('./ReadingBar.vue'))
export const RecordTables = later(() => import('@/lists/RecordTables.vue'))
export const ScenePicture = later(() => import('@/drawing/ScenePicture.vue'))
export const RangeCurve = later(() => import('./RangeCurve.vue'))
