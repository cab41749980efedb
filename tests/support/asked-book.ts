import type { Edit } from '@/core/book'
import { askedDesign } from './asked-design'
import { servedBook, type ServedBook } from './served-book'

/** A book in the browser whose few records lists are asked of: three visits to two houses, and what was paid for them. */
export async function servedAskedBook(name: string, ...more: Edit[]): Promise<ServedBook> {
  const book = await servedBook(name, 'Hollin and Sons', [...askedDesign, ...more])
  await book.browser.go(`${book.path}/workshop/open`)
  await book.browser.press('Open the book')
  await book.browser.read('is open')
  await book.sql("INSERT INTO $house (house_number, town) VALUES (1, 'Otterby'), (2, 'Netherweir')")
  await book.sql("INSERT INTO $person (person_number, name) VALUES (1, 'Una'), (2, 'Corin')")
  await book.sql('INSERT INTO $tenancy (house, person) VALUES (1, 1), (1, 2)')
  await book.sql(
    "INSERT INTO $visit (visit_number, day, state, price, house) VALUES (1, '2027-03-01', 'done', 40, 1), (2, '2027-03-02', 'done', 60, 2), (3, '2027-03-03', 'asked', NULL, 1)",
  )
  await book.sql('INSERT INTO $payment (payment_number, visit, amount) VALUES (1, 1, 15), (2, 1, 25), (3, 3, 5)')
  return book
}
