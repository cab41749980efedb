const sizes = (type: string) =>
  /\((\d+)(?:,(\d+))?\)/
    .exec(type)
    ?.slice(1, 3)
    .map((part) => Number(part ?? 0)) ?? []
const nameOf = (type: string) => type.replace(/\(.*/, '').trim()

/** Whether every value of one column type fits another unchanged. */
export function isWidening(from: string, to: string): boolean {
  if (from === to) return true
  const [a, b] = [nameOf(from), nameOf(to)]
  const [fromSize = 0, fromScale = 0] = sizes(from)
  const [toSize = 0, toScale = 0] = sizes(to)
  if (a === 'VARCHAR' && b === 'VARCHAR') return toSize >= fromSize
  if (a === 'VARCHAR' && b === 'MEDIUMTEXT') return true
  if (a === 'INT' && b === 'BIGINT') return true
  if (a === 'INT' && b === 'DECIMAL') return toSize - toScale >= 10
  if (a === 'DECIMAL' && b === 'DECIMAL') return toSize - toScale >= fromSize - fromScale && toScale >= fromScale
  return false
}

/** The new length in characters where only the length of a text shrinks. */
export function narrowedLength(from: string, to: string): number | undefined {
  if (nameOf(from) !== 'VARCHAR' || nameOf(to) !== 'VARCHAR') return undefined
  return sizes(to)[0]! < sizes(from)[0]! ? sizes(to)[0] : undefined
}
