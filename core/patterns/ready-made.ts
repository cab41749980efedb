import type { Block, Pattern } from './pattern'

const letters = (least: number, most = least): Block => ({ kind: 'letters', least, most, case: 'upper' })
const digits = (least: number, most = least): Block => ({ kind: 'digits', least, most })
const either = (least: number, most = least): Block => ({ kind: 'either', least, most, case: 'upper' })
const fixed = (text: string): Block => ({ kind: 'fixed', text })
const maybe = (...blocks: Block[]): Block[] => blocks.map((block) => ({ ...block, optional: true }))

/** Shapes that many offices meet, by what they are for rather than where. */
export const readyMade: Readonly<Record<string, { readonly title: string; readonly pattern: Pattern }>> = {
  postcode: {
    title: 'Postcode of letters and digits',
    pattern: { blocks: [letters(1, 2), digits(1, 2), fixed(' '), digits(1), letters(2)] },
  },
  digitsPostcode: { title: 'Postcode of five digits', pattern: { blocks: [digits(5)] } },
  phone: { title: 'Phone number with area code', pattern: { blocks: [digits(3, 5), fixed(' '), digits(3, 8)] } },
  vehicle: { title: 'Vehicle plate', pattern: { blocks: [letters(2), digits(2), fixed(' '), letters(3)] } },
  isbn: { title: 'ISBN, 13 figures', pattern: { blocks: [digits(13)], check: 'isbn' } },
  iban: { title: 'IBAN', pattern: { blocks: [letters(2), digits(2), either(8, 30)], check: 'iban' } },
  card: { title: 'Card or meter number with a check digit', pattern: { blocks: [digits(8, 19)], check: 'luhn' } },
  amount: { title: 'Amount with two decimals', pattern: { blocks: [digits(1, 9), ...maybe(fixed('.'), digits(2))] } },
}
