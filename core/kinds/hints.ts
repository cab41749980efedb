import type { KindName } from './registry'

/**
 * What a fact's name says about its kind. The first line that fits decides, so the particular stand
 * before the general. Names are lower case and singular at their end.
 */
const kindHints: readonly (readonly [RegExp, KindName])[] = [
  [/\bdate and time\b|\btime and date\b|\bdate\/time\b|\btimestamp\b/, 'dateTime'],
  [/\btime (opened|closed|reported|received|sent|started|finished|booked|called|raised|created)/, 'dateTime'],
  [/\b(running|playing|cooking|baking|drying|waiting) time$/, 'whole'],
  [/^(whether|if)\b|\b(yes or no|consent|permission given)$/, 'tick'],
  [/\be-?mail\b/, 'email'],
  [/\bweb ?site\b|\bweb ?page\b|\bweb address\b|\bhome ?page\b|\burl\b/, 'web'],
  [
    /\b(tele)?phone\b|\bmobile\b|\bcell\b|\bfax\b|\btel\b|\bdirect line\b|\bextension\b|\blandline\b|\bcontact number\b/,
    'phone',
  ],
  [/\b(photo|photograph|picture|scan|image|attachment|logo|file|portrait|signature|drawing)$/, 'file'],
  [/\b(post ?code|zip code|zip|iban|isbn|sku|barcode|bar code|asset tag|tag|plate|registration)$/, 'code'],
  [/\b(how many|number of|amount of times|count|quantity|capacity|headcount)\b/, 'whole'],
  [/\b(no\. of|nr of|# of)/, 'whole'],
  [
    /\b(order|invoice|job|ticket|receipt|case|booking|quote|quotation|bill|delivery note|certificate|file) (number|no)$/,
    'running',
  ],
  [/\b(shirt|house|seat|lane|page|chapter|lap|table) number$/, 'whole'],
  [/\b(number|no|code|reference|ref|identifier|id|serial)$/, 'code'],
  [
    /\b(price|cost|fee|fare|wage|salary|deposit|charge|rent|budget|amount|total|turnover|value|discount amount|pay|payment|premium|balance|tip|money|pocket money|subscription|rate|allowance|bid|donation)$/,
    'money',
  ],
  [/\b(price|cost|fee|rate|charge|rent) (per|each|of|charged|paid|at|for)\b/, 'money'],
  [/^year (of|built|joined|made|published)/, 'whole'],
  [
    /\b(date of|day of|date when|day when)\b|\bdate\b|\b(birthday|birthdate|dob|night|deadline|expiry|expiration|due day|day)$/,
    'date',
  ],
  [/\b(expires?|valid until|best before|due|born|hired on|joined|issued|purchased) ?(on)?$/, 'date'],
  [/\b(time|clock|hour of day|opening hours)$|\btime (of|in|out|it|they)\b/, 'time'],
  [/\b(score|grade|mark|star|rating|stars)s?$/, 'mark'],
  [
    /\b(age|year|vintage|duration|floor|storey|mileage|stock|minute|day count|page|copy|copies|piece|seat|bedroom|bed|goal|card|point|guest|people|person|place|level of stock|run|run time|running time|duration in minutes|term|edition|interval|unit count|bottle|portion)s?$/,
    'whole',
  ],
  [/\b(in stock|on hand|in hand)$/, 'whole'],
  [
    /\b(weight|height|length|width|depth|size|distance|area|volume|temperature|pressure|hour|litre|kilo|gram|percent|percentage|share|diameter|discount|reading|measurement|how much|dosage|dose|radius|speed|ratio|factor|thickness)s?$/,
    'exact',
  ],
  [
    /\b(note|description|comment|remark|instruction|allergy|allergies|summary|history|qualification|direction|diagnosis|detail|text|finding|biography|reason for|message|feedback|recommendation|abstract|wish|requirement|condition report|special request)s?$/,
    'passage',
  ],
  [/\b(description|note|notes|details) (of|on|about)\b|^(done|found|said|agreed)$|^what is /, 'passage'],
]

/** The kind that a fact's name tells of; undefined where the name says nothing. */
export const hintedKind = (name: string): KindName | undefined =>
  kindHints.find(([pattern]) => pattern.test(name.toLowerCase()))?.[1]
