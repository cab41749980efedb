/**
 * How well what a record is shown as answers what was typed: 0 where one of its parts begins with it, 1 where a word
 * does, 2 where it stands anywhere else, or only in what isn't shown.
 */
export function likeness(label: string, typed: string): 0 | 1 | 2 {
  const wanted = typed.normalize('NFC').trim().toLocaleLowerCase()
  const shown = label.normalize('NFC').toLocaleLowerCase()
  const [first = wanted] = wanted.split(/[,;\s]+/)
  if (shown.startsWith(wanted) || shown.split(', ').some((part) => part.startsWith(first))) return 0
  return shown.split(/[^\p{L}\p{N}]+/u).some((word) => word.startsWith(first)) ? 1 : 2
}
