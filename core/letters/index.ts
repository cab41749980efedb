export { letterWidths } from './letter-widths'
export { clipped, type LetterWidths, textWidth, typefaceNames, type Weight } from './letters'
