export { letterWidths } from './letter-widths'
export { clipped, type LetterWidths, textWidth, typefaceNames, type Weight } from './letters'
export { widestWord, wrap } from './wrap'
export { type Stretch, stretchesOf } from './faces'
