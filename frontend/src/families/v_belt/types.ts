import type { components } from '@/api/schema'

type Schemas = components['schemas']
export type BooksAnswer = Schemas['VBeltBasesResponse']
export type VBeltAnswer = Schemas['VBeltDriveResponse']
export type VBeltInput = Schemas['VBeltDriveIn']
export type VBeltSelect = Schemas['VBeltSelectIn']
export type OwnRating = Schemas['OwnRatingIn']
