import { askingFirst } from '../knowledge/frames'
import type { Sentence } from './sentences'

const wish =
  /^(?:and |also |finally |then )?(?:we|i|staff|the office|the board|management|it)(?: \w+)?(?: also| often| sometimes)? (?:'d like|would like|would love|wants?|needs?|must|have|has|should|wish|would|like|can|could)(?: also)?(?: to)?(?: be able)?(?: to)? (see|list|find|answer|ask|print|show|look up|tell|check|report|count|know|work out|get)\b[ :,]*/i

/** "Management wants to know …": anybody may wish to know. */
const othersWish =
  /^(?:the |our )?[a-z]+(?: [a-z]+)? (?:wants?|would like|needs|likes?) to (?:be able to )?(see|list|know|find|print|check|report|count)\b[ :,]*/i

/** The questions in a sentence, each as the part that asks; undefined where it asks nothing. */
export function questionsIn(sentence: Sentence): Sentence[] | undefined {
  const { text, start } = sentence
  const wanted =
    /^(?:and |also )?(?:i|we)(?:'d| would)? ?(?:also )?(?:like|love|want|need) (?=(?:an? )?(?:lists?|reports?|overview|total|summary|count) )/i.exec(
      text,
    )
  if (wanted) return split({ text: text.slice(wanted[0].length), start: start + wanted[0].length })
  // "Reports: list of unpaid invoices; number of appointments per dentist"
  const listed =
    /^(?:reports?|queries|questions|lists?|searches|overviews?|output|answers?)(?: (?:needed|wanted|required))?\s*[:–-]\s*/i.exec(
      text,
    )
  if (listed) {
    const rest = text.slice(listed[0].length)
    let from = start + listed[0].length
    return rest.split(/(?<=;)/).flatMap((part) => {
      const at = from + (part.length - part.trimStart().length)
      from += part.length
      return part.trim() ? [{ text: part.trim().replace(/;$/, ''), start: at }] : []
    })
  }
  const wished = wish.exec(text) ?? othersWish.exec(text)
  if (wished) {
    const rest = text.slice(wished[0].length)
    const asks =
      /^(?:at a glance |quickly )?(which|who|whose|how (many|much|often|long|full)|what|when|where|whether|if|all|every|the (total|number)|a list|lists?|an overview|totals?|reports?)\b/i.test(
        rest,
      )
    const verb = wished[1]!.toLowerCase()
    // "we need to know the name of each client" asks for nothing; it keeps.
    if (verb === 'know' || verb === 'get') {
      if (!asks || (/\bfor (each|every)\b/i.test(rest) && !/^how|^which/i.test(rest))) return undefined
    }
    if (verb === 'check' && !asks) return undefined
    return split({ text: rest, start: start + wished[0].length })
  }
  const first = /^(?:and |also |finally |then |please )?([a-z]+)/i.exec(text)?.[1]?.toLowerCase() ?? ''
  const imperative = /^(list|show|see|find|print|report|display|search|look|tell)$/.test(first)
  if (imperative && !/^report(s|ed)?\b.*\b(is|are|has|have)\b/i.test(text) && !/^(list|show|print)s?:/i.test(text))
    return split(sentence)
  if (text.endsWith('?')) return split(sentence)
  if (/^(how (many|much|often)|which|whose|who)\b/i.test(text) && askingFirst.has(first)) return split(sentence)
  return undefined
}

/** "which parts are low, and how much did each earn" asks twice. */
function split({ text, start }: Sentence): Sentence[] {
  const parts: Sentence[] = []
  let from = 0
  for (const match of text.matchAll(
    /,? and (?=(which|who|whose|how (?:many|much|often)|what|where|list|see|print)\b)/gi,
  )) {
    parts.push({ text: text.slice(from, match.index), start: start + from })
    from = match.index + match[0].length
  }
  parts.push({ text: text.slice(from), start: start + from })
  return parts.map((part) => ({ ...part, text: part.text.trim() })).filter((part) => part.text.split(' ').length > 1)
}
