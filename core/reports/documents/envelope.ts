import type { Window } from '../../book'

const points = 72 / 25.4

/** Where an address stands on the first page, in millimetres from its top left corner. */
interface Field {
  readonly title: string
  readonly left: number
  readonly top: number
  readonly width: number
  readonly height: number
}

/**
 * Where windows of common envelopes show an address. DIN: the part for the receiver in the address fields of DIN 5008,
 * forms A and B. The others as C5 and DL windows in Britain and No. 10 windows in America commonly are; a sheet is tried
 * in the envelope that is used before a thousand are printed.
 */
export const windowFields: Readonly<Record<Window, Field>> = {
  'din-a': { title: 'DIN 5008, form A', left: 25, top: 45, width: 80, height: 27 },
  'din-b': { title: 'DIN 5008, form B', left: 25, top: 63, width: 80, height: 27 },
  uk: { title: 'DL or C5, as in Britain', left: 25, top: 52, width: 78, height: 27 },
  us: { title: 'No. 10, as in America', left: 26, top: 53, width: 84, height: 25 },
}

/** The same in points. */
export function windowBox(window: Window) {
  const { left, top, width, height } = windowFields[window]
  return { x: left * points, y: top * points, width: width * points, height: height * points }
}
