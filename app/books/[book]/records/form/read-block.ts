/** Whether text from the clipboard is a block of cells, or several lines, and not what belongs into one box. */
export const isBlock = (text: string, mayHaveLines: boolean): boolean =>
  text.includes('\t') || (!mayHaveLines && /\n./s.test(text.trimEnd()))

/** The cells of a block as spreadsheets put it on the clipboard: tabs between cells, quotes around those with lines in them. */
export async function readBlock(text: string): Promise<readonly (readonly string[])[]> {
  const { parse } = (await import('papaparse')).default
  return parse<string[]>(text.replace(/\r\n?/g, '\n').replace(/\n+$/, ''), { delimiter: '\t', newline: '\n' }).data
}
