export { letterWidths } from './letter-widths'
export { clipped, evenWidth, type LetterWidths, textWidth, typefaceNames, type Weight } from './letters'
export { asPrinted, widestWord, wrap } from './wrap'
export { stretchesOf } from './faces'
