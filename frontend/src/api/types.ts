import type { components } from './schema'

type Schemas = components['schemas']
export type IdentifyAnswer = Schemas['BeltIdentifyResponse']
export type RatingPreview = Schemas['RatingPreview']
export type RatingLine = Schemas['RatingLineOut']
export type Figure = Schemas['Figure']
export type Band = Schemas['Band']
export type Notice = Schemas['NoticeOut']
export type Step = Schemas['WorkingStep']
export type Plate = Schemas['PlateView']
export type Elevation = Schemas['ElevationOut']
export type TemplateHead = Schemas['TemplateHead']
export type TemplateText = Schemas['TemplateText']
export type RoundView = Schemas['RoundView']
export type RoundLine = Schemas['RoundLine']
export type RepeatLine = Schemas['RepeatLine']
export type TemporaryLine = Schemas['TemporaryLine']
export type TrendsView = Schemas['TrendsView']
export type TimelineView = Schemas['TimelineView']
export type TimelineMark = Schemas['TimelineMark']
export type MeterView = Schemas['MeterView']
export type PhotoLine = Schemas['PhotoLine']
export type Fits = Schemas['Fits']
export type Cover = Schemas['Cover']
export type Handled = Schemas['HandledView']
export type Sheet = Schemas['SheetOut']
export type MainAnswer = Sheet['answers'][number]
export type CompareAnswer = Schemas['DriveCompareResponse']
export type CompareInput = Schemas['CompareIn']
export type RefitAnswer = Schemas['DriveRefitResponse']
export type FamilyOffer = Schemas['FamilyOut']
export type FamilyLine = Schemas['FamilyLine']
/** What was picked beside an input, such as a rating book: key of the choice, key of the value. */
export type Options = Record<string, string>
/** The input of a family's whole-drive calculation; only the family itself knows its fields. */
export type DriveInput = Record<string, unknown>
/** The answer of any whole-drive calculation: what is common to the families. */
/** A worked answer of whatever calculation. */
export interface Worked {
  result: Record<string, unknown>
  /** What the fields of the result are called, where their names do not say it; an answer kept by an earlier version has none. */
  titles?: Record<string, string>
  /** Which figures of a whole drive belong together. */
  groups?: { title: string; names: string[] }[]
  working: Step[]
  notices: Notice[]
  elevation: Elevation | null
}
export interface DriveAnswer extends Worked {
  calc: string
  options: Options
  input: Record<string, unknown>
  sheet: Sheet | null
}
/** A drive somebody chose: which family works it, and from what. */
export interface Picked {
  family: string
  calc: string
  name: string
  /** Tells two options of one name apart. */
  key: string
  input: DriveInput
  /** What was picked beside the input when it was found; the defaults where it is left out. */
  options?: Options
}
/** Any family's search, its one shape of an answer, and what every search is asked. */
export interface SelectAnswer {
  result: Schemas['SelectOut']
  notices: Notice[]
  options: Options
}
export interface WhyNotAnswer {
  result: Schemas['WhyNotOut']
  notices: Notice[]
}
export type Limits = Schemas['LimitsIn']
export type Weights = Required<Schemas['WeightsIn']>
export type Stock = Schemas['StockIn']
export type SelectInput = Omit<CompareInput, 'asked' | 'series'> & { limits?: Limits; weights?: Weights; stock?: Stock }
export type Option = Schemas['OptionOut']
export type ShelfLine = Schemas['StockLineOut']
export type StockPreview = Schemas['StockPreview']
export type Machine = Schemas['MachineView']
export type MachineList = Schemas['MachineList']
export type Drive = Schemas['DriveView']
export type Build = Schemas['BuildView']
export type Duty = Schemas['DutyView']
export type Choice = Schemas['Choice']
export type CalcLine = Schemas['CalcLine']
export type Handbook = Schemas['Handbook']
export type Destination = Schemas['Destination']
export type ServiceFactor = Schemas['ServiceFactorIn']
export type Units = 'us' | 'si'
/** One fault of a refused input, with the field it belongs to. */
export interface Fault {
  path: string
  /** What its field is called. */
  called?: string
  reason: string
  allowed: string
}

/** One way to settle a field that two people changed. */
export interface SettleChoice {
  word: string
  shown: string
  value: unknown
}
/** A field that two people changed; the first choice stands until another is taken. */
export interface Difference {
  path: string
  label: string
  choices: SettleChoice[]
}

/** The problem document of the API (application/problem+json). */
export interface Problem {
  type: string
  title: string
  status: number
  detail: string
  errors: Fault[]
  current?: Record<string, unknown>
  /** The operation that waits on this device, where the save got no answer. */
  kept?: string
  /** Where yours and theirs differ, field by field. */
  differences?: Difference[]
}
export type Job = Schemas['JobView']
export type JobStep = Schemas['StepView']
export type JobAsked = Schemas['AskedView']
export type Shown = Schemas['ShownView']
export type Scene = Schemas['SceneOut']
export type Primitive = Schemas['PrimitiveOut']
export type JobLine = Schemas['JobLine']
export type DueLine = Schemas['DueLine']
export type TemplateList = Schemas['TemplateList']
