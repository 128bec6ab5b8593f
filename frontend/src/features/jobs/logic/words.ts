/** A step's words with the wheel named; whoever says pulley reads pulley (`wheelWords`). */
export const stepWords = (text: string): string => text.replaceAll('{wheel}', 'sheave')
