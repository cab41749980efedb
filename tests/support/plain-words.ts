import { plainReading, readNeeds } from '@/core/reading'

/** What plain words give. */
export const read = (...needs: string[]) => plainReading(readNeeds(needs))

type Read = ReturnType<typeof read>

/** The fields of one of its tables with their kinds. */
export const tableIn = (reading: Read, name: string) => {
  const table = reading.tables.find((one) => one.name === name)
  if (!table) throw new Error(`No table ${name} among ${reading.tables.map((one) => one.name).join(', ')}`)
  return Object.fromEntries(table.fields.map((field) => [field.name, field.kind]))
}

export const tie = (reading: Read, from: string, to: string) =>
  reading.links.find((link) => link.from === from && link.to === to)
