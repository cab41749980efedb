import type { CheckName } from './pattern'

const digitsOf = (value: string) => value.replace(/[^0-9A-Za-z]/g, '').toUpperCase()

/** ISO 2108: ten figures modulo 11, or thirteen modulo 10. */
function isbn(value: string): boolean {
  const code = digitsOf(value)
  if (/^\d{9}[\dX]$/.test(code)) {
    const sum = [...code].reduce((total, figure, at) => total + (10 - at) * (figure === 'X' ? 10 : Number(figure)), 0)
    return sum % 11 === 0
  }
  if (!/^\d{13}$/.test(code)) return false
  return [...code].reduce((total, figure, at) => total + Number(figure) * (at % 2 === 0 ? 1 : 3), 0) % 10 === 0
}

/** ISO 13616 and ISO 7064 MOD 97-10: the first four moved to the end, letters as 10 to 35. */
function iban(value: string): boolean {
  const code = digitsOf(value)
  if (!/^[A-Z]{2}\d{2}[0-9A-Z]{8,30}$/.test(code)) return false
  const moved = code.slice(4) + code.slice(0, 4)
  let rest = 0
  for (const sign of moved) {
    const figures = /\d/.test(sign) ? sign : String(sign.charCodeAt(0) - 55)
    for (const figure of figures) rest = (rest * 10 + Number(figure)) % 97
  }
  return rest === 1
}

/** ISO/IEC 7812-1, annex B: every second figure from the right doubled. */
function luhn(value: string): boolean {
  const code = digitsOf(value)
  if (!/^\d{2,}$/.test(code)) return false
  const sum = [...code].reverse().reduce((total, figure, at) => {
    const doubled = Number(figure) * (at % 2 === 1 ? 2 : 1)
    return total + (doubled > 9 ? doubled - 9 : doubled)
  }, 0)
  return sum % 10 === 0
}

const checks: Record<CheckName, (value: string) => boolean> = { isbn, iban, luhn }

/** Whether a value's check digit fits the rest of it. */
export const checkFits = (check: CheckName, value: string) => checks[check](value)
