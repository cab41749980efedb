import { fail, type Result } from '@/core/words'

/**
 * What the server was asked to change; where it doesn't answer, because it or the way to it is gone, that is a
 * problem in words like any other, and it may have been done.
 */
export const answered = <T>(asked: Promise<Result<T>>): Promise<Result<T>> =>
  asked.catch((cause: unknown) => fail({ kind: isCutOff(cause) ? 'no-answer-to-change' : 'unexpected' }))

/** What the server was asked to tell. */
export const told = <T>(asked: Promise<Result<T>>): Promise<Result<T>> =>
  asked.catch((cause: unknown) => fail({ kind: isCutOff(cause) ? 'no-answer' : 'unexpected' }))

/** A browser that reaches nobody says so by this kind of error; what goes wrong on the server comes as another. */
const isCutOff = (cause: unknown) => cause instanceof TypeError
