import { expectTypeOf, test } from 'vitest'
import type { Result } from '../words'
import { applyEdit, type Book, type Edit, type Field, type RuleSays, type Table } from '.'

type Mutable<T> = { -readonly [Key in keyof T]: T[Key] }

// Held by the compiler: a book is changed by edits alone.
test('a book can’t be changed in place', () => {
  expectTypeOf<Book['tables']>().not.toExtend<Table[]>()
  expectTypeOf<Table['fields']>().not.toExtend<Field[]>()
  expectTypeOf<Book>().not.toEqualTypeOf<Mutable<Book>>()
})

test('an edit is told by its kind, and names what it changes', () => {
  expectTypeOf<Edit['kind']>().toExtend<string>()
  expectTypeOf<string>().not.toExtend<Edit['kind']>()
  expectTypeOf<Extract<Edit, { kind: 'removeField' }>['field']>().toEqualTypeOf<string>()
  expectTypeOf<Extract<Edit, { kind: 'addTable' }>>().toHaveProperty('keyField')
})

test('making an edit gives the new book, or says why not', () => {
  expectTypeOf(applyEdit).returns.toExtend<Result<{ readonly book: Book }>>()
})

test('what a rule says is one of five things', () => {
  expectTypeOf<RuleSays['kind']>().toEqualTypeOf<'holds' | 'together' | 'apart' | 'closed' | 'follows'>()
})
