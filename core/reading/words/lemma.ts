import { irregularVerbs } from '../knowledge/verbs'

/** The infinitive of a verb's form, as far as rules and the list of irregular ones go. */
export function infinitive(verb: string): string {
  const lower = verb.toLowerCase()
  const known = Object.hasOwn(irregularVerbs, lower) ? irregularVerbs[lower] : undefined
  if (known) return known
  if (/[^aeiou]ied$/.test(lower) || /[^aeiou]ies$/.test(lower)) return `${lower.slice(0, -3)}y`
  const stem = /(ing|ed)$/.exec(lower) ? lower.replace(/(ing|ed)$/, '') : undefined
  if (stem && stem.length > 2) {
    if (/([bdfgklmnprt])\1$/.test(stem) && !/(ll|ss)$/.test(stem)) return stem.slice(0, -1)
    // "handled" is handle, "travelled" travel.
    if (/[bcdfgkpstz]l$/.test(stem)) return `${stem}e`
    return /(at|iz|is|ur|uc|ng|rv|lv|eas|as|us|os|ag|dg|ak|ir|or|ut|iv|in|id|ad)$/.test(stem) &&
      !/(ain|oin|ead|oad|eat|oat|out|ear|eir|our|air|ask|ean|egin|sign|aid)$/.test(stem)
      ? `${stem}e`
      : stem
  }
  if (/(x|ch|sh|ss|zz|o)es$/.test(lower)) return lower.slice(0, -2)
  return lower.endsWith('s') && !lower.endsWith('ss') ? lower.slice(0, -1) : lower
}
