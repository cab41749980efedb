import { expectTypeOf, test } from 'vitest'
import { fail, ok, type Problem, type Result, wordProblem } from '.'

type Of<Kind extends Problem['kind']> = Extract<Problem, { kind: Kind }>

// Held by the compiler: each problem carries the facts of its sentence, no more and no fewer.
test('a problem has the facts that its sentence speaks of', () => {
  expectTypeOf<Of<'no-such-file'>>().toExtend<{ readonly kind: 'no-such-file' }>()
  expectTypeOf<Of<'rows-unclear'>['through']>().toEqualTypeOf<readonly string[]>()
  expectTypeOf<{ kind: 'blank'; field: string }>().toExtend<Problem>()
  expectTypeOf<{ kind: 'blank' }>().not.toExtend<Problem>()
  expectTypeOf<{ kind: 'no such problem' }>().not.toExtend<Problem>()
  expectTypeOf(wordProblem).returns.toEqualTypeOf<string>()
})

test('what failed has no value, and what went well has no problem', () => {
  type Read = Result<number>
  expectTypeOf<Extract<Read, { ok: true }>>().not.toHaveProperty('problem')
  expectTypeOf<Extract<Read, { ok: false }>>().not.toHaveProperty('value')
  expectTypeOf(ok(1)).toExtend<Read>()
  expectTypeOf(fail({ kind: 'no-such-file' })).toExtend<Read>()
  expectTypeOf(ok('one')).not.toExtend<Read>()
})
