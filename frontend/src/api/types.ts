import type { components } from './schema'

type Schemas = components['schemas']
export type Figure = Schemas['Figure']
export type Band = Schemas['Band']
export type Notice = Schemas['NoticeOut']
export type Step = Schemas['WorkingStep']
export type Elevation = Schemas['ElevationOut']
export type DriveAnswer = Schemas['VBeltDriveResponse']
export type DriveInput = Schemas['VBeltDriveIn']
export type SelectAnswer = Schemas['VBeltSelectResponse']
export type SelectInput = Schemas['VBeltSelectIn']
export type Option = Schemas['OptionOut']
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
  reason: string
  allowed: string
}

/** The problem document of the API (application/problem+json). */
export interface Problem {
  type: string
  title: string
  status: number
  detail: string
  errors: Fault[]
  current?: Record<string, unknown>
}
