import { fail, type Result } from '@/core/words'

/**
 * What the server was asked for; where it doesn't answer, because it or the way to it is gone, that is a problem in
 * words like any other.
 */
export const answered = <T>(asked: Promise<Result<T>>): Promise<Result<T>> =>
  asked.catch(() => fail({ kind: 'no-answer' }))
