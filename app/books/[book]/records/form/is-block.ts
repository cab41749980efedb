/** Whether text from the clipboard is a block of cells, or several lines, and not what belongs into one box. */
export const isBlock = (text: string, mayHaveLines: boolean): boolean =>
  text.includes('\t') || (!mayHaveLines && /\n./s.test(text.trimEnd()))
