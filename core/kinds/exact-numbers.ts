/** An exact number's type: digits before the point and behind it. A value is a bigint, the number times 10 ** scale. */
export interface Exact {
  readonly whole: number
  readonly scale: number
}

/** What MariaDB's DECIMAL holds, and so what every intermediate result must fit. */
export const mostDigits = 65
export const mostScale = 30
/** A quotient has at least so many decimals. */
export const quotientScale = 6

export const powerOfTen = (exponent: number) => 10n ** BigInt(exponent)

/** A canonical number ("-12.5") as a bigint at a scale; what is behind it is cut off. */
export function toExact(text: string, scale: number): bigint {
  const negative = text.startsWith('-')
  const [whole = '', fraction = ''] = (negative ? text.slice(1) : text).split('.')
  const digits = BigInt((whole || '0') + fraction.padEnd(scale, '0').slice(0, scale))
  return negative ? -digits : digits
}

/** A bigint at a scale as a canonical number with all its decimals. */
export function fromExact(value: bigint, scale: number): string {
  const negative = value < 0n
  const digits = String(negative ? -value : value).padStart(scale + 1, '0')
  const text = scale === 0 ? digits : `${digits.slice(0, -scale)}.${digits.slice(-scale)}`
  return negative ? `-${text}` : text
}

/** To another scale; what is lost is rounded half away from nought. */
export function rescale(value: bigint, from: number, to: number): bigint {
  if (to >= from) return value * powerOfTen(to - from)
  return divideRounded(value, powerOfTen(from - to))
}

/** Rounded half away from nought, as MariaDB rounds exact numbers. */
export function divideRounded(dividend: bigint, divisor: bigint): bigint {
  const negative = dividend < 0n !== divisor < 0n
  const [a, b] = [dividend < 0n ? -dividend : dividend, divisor < 0n ? -divisor : divisor]
  const rounded = (2n * a + b) / (2n * b)
  return negative ? -rounded : rounded
}

/** Towards the next whole number below (−1) or above (1). */
export function toWhole(value: bigint, scale: number, towards: -1 | 1): bigint {
  const unit = powerOfTen(scale)
  const cut = value / unit
  const left = value % unit
  if (left === 0n) return cut
  return towards === 1 ? (left > 0n ? cut + 1n : cut) : left < 0n ? cut - 1n : cut
}
