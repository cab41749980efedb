/** Closed classes of English words, as far as needs use them. Lists may be extended freely. */

const set = (words: string) => new Set(words.trim().split(/\s+/))

/** Say that a sentence speaks of one record as it would of any. */
export const anyOne = set('each every any')
export const articles = set('a an the this that these those another')
export const possessives = set('its their his her our your my')
export const modals = set(
  "may can could might must should will would shall cannot can't won't mustn't shouldn't couldn't",
)
export const optional = set("may can could might cannot can't couldn't")
export const negatives = set('no not never none neither without nobody')
export const prepositions = set(
  'of in on at for from to with by about into onto under over per between through during within against via towards after before since until till upon among across inside near beside down off out up back away',
)
export const conjunctions = set('and or but nor & plus')
export const pronouns = set(
  'we i you they it he she them us me him everybody everyone somebody someone anybody anyone nobody nothing themselves itself',
)
export const asking = set('which who whom whose what when where how why whether if that')
export const being = set('is are was were be been being isn’t aren’t')
export const having = set('has have had having')
/** Mean little by themselves and are passed over between words that do. */
export const fillers = set(
  'also usually normally often sometimes always only just then currently already again together roughly simply generally typically still ever either both otherwise actually really at-least too so here there now later together once each-time later',
)

/** Stand before a plural and leave open how many. */
export const manyWords = set('several many multiple numerous various some few more')

/** Numbers as words. */
export const numbers: Readonly<Record<string, number>> = {
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  eleven: 11,
  twelve: 12,
  thirteen: 13,
  fourteen: 14,
  fifteen: 15,
  sixteen: 16,
  eighteen: 18,
  twenty: 20,
  thirty: 30,
  forty: 40,
  fifty: 50,
  sixty: 60,
  hundred: 100,
  dozen: 12,
}

/** Stand before a thing without naming another thing: "a particular boat", "the usual price" keeps its own list. */
export const emptyAdjectives = set(
  'particular certain own new different other same given single separate individual actual specific real various respective relevant possible existing current necessary unique optional basic following further additional extra more whole entire single-handed',
)
