import type { Option, Picked, SelectAnswer, VBeltInput } from '@/api/types'

interface Leaf {
  value?: number
}

/** The drive input of a chosen V-belt option: the duty as the server understood it, the option's parts. */
export function inputOf(
  option: Option,
  answer: SelectAnswer,
  duty: Pick<VBeltInput, 'service_factor'>,
  layout?: VBeltInput['layout'],
): VBeltInput {
  const echo = answer.input as Record<string, Leaf>
  const wheel = (d: number) => ({ diameter: d, kind: option.diameter_kind, groove: option.groove })
  return {
    power: echo.power?.value ?? 0,
    service_factor: duty.service_factor,
    driver: { speed: echo.driver_speed?.value ?? 0, sheave: wheel(option.driver_diameter.value) },
    driven: { sheave: wheel(option.driven_diameter.value) },
    belt: { designation: option.drive.designation, count: option.belts.value },
    layout: layout ?? { angle: 0, clockwise: true },
  }
}

/** Tells two options of one name apart. */
export const optionKey = (o: Option): string => `${o.name} ${o.driver_diameter.value}`

/** The same as any family's choice, with the book and the own rating lines that it was found by. */
export function pickedOf(
  option: Option,
  answer: SelectAnswer,
  duty: Pick<VBeltInput, 'service_factor'>,
  layout?: VBeltInput['layout'],
  own?: VBeltInput['own_ratings'],
): Picked {
  const input = inputOf(option, answer, duty, layout)
  if (own) input.own_ratings = own
  return {
    family: 'v-belt',
    calc: 'v-belt-drive',
    name: option.name,
    key: optionKey(option),
    input: input as unknown as Record<string, unknown>,
    basis: answer.basis,
  }
}
