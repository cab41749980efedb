const small = [
  ...['nought', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve'],
  ...['thirteen', 'fourteen', 'fifteen', 'sixteen', 'seventeen', 'eighteen', 'nineteen'],
] as const
const tens = ['', '', 'twenty', 'thirty', 'forty', 'fifty', 'sixty', 'seventy', 'eighty', 'ninety'] as const
const groups = ['', 'thousand', 'million', 'billion', 'trillion', 'quadrillion'] as const

/** So many figures are said in words at the most; what is longer stays in figures. */
const most = 18

function belowHundred(number: number): string {
  if (number < 20) return small[number] ?? ''
  const ten = tens[Math.floor(number / 10)] ?? ''
  return number % 10 === 0 ? ten : `${ten}-${small[number % 10] ?? ''}`
}

function belowThousand(number: number): string {
  const [hundreds, rest] = [Math.floor(number / 100), number % 100]
  if (hundreds === 0) return belowHundred(rest)
  const before = `${small[hundreds] ?? ''} hundred`
  return rest === 0 ? before : `${before} and ${belowHundred(rest)}`
}

/**
 * A whole number in words, as British English says it.
 * @param figures plain figures, with a minus where it is below nought
 * @example wholeInWords('1104') // => 'one thousand, one hundred and four'
 */
export function wholeInWords(figures: string): string {
  const bare = figures.replace('-', '').replace(/^0+(?=\d)/, '')
  if (bare.length > most) return figures
  if (bare === '0') return 'nought'
  const parts: string[] = []
  const count = Math.ceil(bare.length / 3)
  for (let at = count - 1; at >= 0; at--) {
    const number = Number(bare.slice(Math.max(0, bare.length - 3 * at - 3), bare.length - 3 * at))
    if (number === 0) continue
    const said = belowThousand(number) + (at > 0 ? ` ${groups[at] ?? ''}` : '')
    // "One thousand and four", but "one thousand, one hundred and four".
    if (parts.length === 0) parts.push(said)
    else parts.push(at === 0 && number < 100 ? ` and ${said}` : `, ${said}`)
  }
  return (figures.startsWith('-') ? 'minus ' : '') + parts.join('')
}

/** What amounts of a currency are called, by its sign: of one, of several, and of its hundredths. */
type Names = readonly [string, string, string, string]
const currencies: Readonly<Record<string, Names>> = {
  '£': ['pound', 'pounds', 'penny', 'pence'],
  GBP: ['pound', 'pounds', 'penny', 'pence'],
  '€': ['euro', 'euros', 'cent', 'cents'],
  EUR: ['euro', 'euros', 'cent', 'cents'],
  $: ['dollar', 'dollars', 'cent', 'cents'],
  USD: ['dollar', 'dollars', 'cent', 'cents'],
}

/**
 * A number or an amount in words; decimals of a number figure by figure.
 * @param value canonical, as "104.50"
 * @param currency its sign, where it is an amount of money
 * @example numberInWords('104.50', '£') // => 'one hundred and four pounds and fifty pence'
 */
export function numberInWords(value: string, currency?: string): string {
  const [whole = '0', fraction = ''] = value.split('.')
  if (currency === undefined) return plainNumber(whole, fraction.replace(/0+$/, ''))
  const named = currencies[currency]
  // What its hundredths are called nobody has told us: they stay figures.
  if (!named || fraction.length > 2) {
    const parts = /[1-9]/.test(fraction) ? ` and ${fraction}/1${'0'.repeat(fraction.length)}` : ''
    return `${wholeInWords(whole)}${parts} ${currency}`
  }
  return amountInWords(whole, Number(fraction.padEnd(2, '0')), named)
}

function plainNumber(whole: string, behind: string): string {
  if (!behind) return wholeInWords(whole)
  const minus = whole === '-0' ? 'minus ' : ''
  return `${minus}${wholeInWords(whole)} point ${[...behind].map((figure) => small[Number(figure)] ?? '').join(' ')}`
}

function amountInWords(whole: string, minor: number, [one, several, hundredth, hundredths]: Names): string {
  const major = `${wholeInWords(whole)} ${/^-?0*1$/.test(whole) ? one : several}`
  if (minor === 0) return major
  const said = `${belowHundred(minor)} ${minor === 1 ? hundredth : hundredths}`
  if (!/^-?0+$/.test(whole)) return `${major} and ${said}`
  return whole.startsWith('-') ? `minus ${said}` : said
}
