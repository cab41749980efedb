declare module 'linebreak' {
  /** Where a text may or must go on in a new line (UAX #14). */
  export default class LineBreaker {
    constructor(text: string)
    nextBreak(): { readonly position: number; readonly required: boolean } | null
  }
}
