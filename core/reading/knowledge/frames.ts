const set = (words: string) => new Set(words.trim().split(/\s+/))

/** What an office does with facts: their object is what is kept, their "of", "for", "about" what it is kept about. */
export const recording = set(
  'keep record note store track log write register know hold enter collect list save jot document take capture need require want ask count remember state specify mention',
)

/** The subject owns its objects: facts about it, or what hangs on it. */
export const owning = set(
  'have has had contain include comprise carry consist hold show list need get give say bear receive specify cover get',
)

/** The subject is one of several that belong to the object. */
export const belonging = set('belong live stand sit work hang lie part')

/**
 * Happenings that offices keep records of: the verb and the noun it is written down as. A tie told by the
 * verb runs through that table where the needs speak of it.
 */
export const happenings: Readonly<Record<string, readonly string[]>> = {
  borrow: ['loan', 'borrowing'],
  lend: ['loan', 'hire', 'rental'],
  loan: ['loan'],
  book: ['booking', 'reservation'],
  reserve: ['reservation', 'booking'],
  rent: ['rental', 'tenancy', 'lease', 'hire'],
  lease: ['lease'],
  let: ['letting', 'tenancy', 'booking'],
  hire: ['hire', 'booking', 'rental'],
  order: ['order'],
  place: ['order'],
  buy: ['purchase', 'order', 'sale', 'ticket'],
  purchase: ['purchase'],
  sell: ['sale'],
  pay: ['payment'],
  enrol: ['enrolment', 'enrollment', 'registration'],
  enroll: ['enrollment', 'enrolment', 'registration'],
  register: ['registration'],
  attend: ['attendance'],
  visit: ['visit'],
  donate: ['donation'],
  inspect: ['inspection'],
  check: ['check', 'inspection'],
  harvest: ['harvest'],
  request: ['request'],
  ask: ['request'],
  deliver: ['delivery'],
  repair: ['repair'],
  treat: ['treatment'],
  examine: ['examination'],
  subscribe: ['subscription'],
  assign: ['assignment'],
  sample: ['sample'],
  measure: ['measurement', 'reading'],
  read: ['reading'],
  survey: ['survey'],
  swap: ['swap'],
  exchange: ['exchange'],
  transfer: ['transfer'],
  vaccinate: ['vaccination'],
  serve: ['service'],
  service: ['service'],
  train: ['training'],
  complain: ['complaint'],
  apply: ['application'],
  vote: ['vote'],
  win: ['win'],
  feed: ['feeding'],
  appoint: ['appointment'],
  invoice: ['invoice'],
  bill: ['bill'],
}

/** Begin a sentence that the data must answer. */
export const askingFirst = set(
  'list show see find print report which who whose what when where how display search look tell give',
)

/** What "one of them" does, and the fact it becomes. */
export const leadingWords: readonly (readonly [RegExp, string])[] = [
  [/\b(leads?|is (the |in the )?lead(er|ing)?)\b/, 'leads'],
  [/\bin charge\b/, 'in charge'],
  [/\b(is )?(the )?(head|main|chief|first|primary|senior)\b/, 'main'],
  [/\b(is )?(the )?(chair|chairs|captain|spokesperson|contact|responsible)\b/, 'responsible'],
]

/** What only gathers or uses others shares them: told from one side alone, both may have several. */
export const sharingVerbs = set(
  'share carry use contain include involve cover show be sign attend sing play give list need require speak know perform feature serve rate review score vote',
)

/** Their object comes to be by them: one order is placed by one customer. */
export const makingVerbs = set('make place write open raise issue send file submit create draw produce')

/** "Products are grouped into categories": each is in one of them. */
export const groupingVerbs = set('group categorise categorize classify organise organize sort file')

/** Say that something is one of those that belong to another: "belongs to one category". */
export const assigningVerbs = set('belong assign own teach lead run handle')

/** A thing may be tied to others of its kind by these: "reports to another employee". */
export const selfVerbs = set('report supervise manage depend refer belong marry replace follow')

/** Keep facts: "the date and amount of each payment are recorded". */
export const keepingVerbs = set(
  'keep record note store register log write track list hold save enter document collect capture',
)

/** Happenings that an office writes down even where it says no noun for them: "when they pay we note the amount". */
export const notedVerbs = set('pay inspect check service repair treat survey harvest donate visit deliver vaccinate')

/** Settle where or when something is; a place or person told beside them is a fact. */
export const placingVerbs = set('take happen start begin end meet stand live')

/** The office and its tools, which keep records but are none. */
export const officeNames = set(
  'system database program programme software application app tool solution office company firm business organisation organization club school shop association charity library team manager owner administrator',
)

/** "the quantity of each treatment": facts that belong to two things together. */
export const countingWords = set('quantity amount number share hour hours dose portion')

/** Spans of time that a limit may be about. */
export const timeSpans = set('day week month year hour night season quarter term time morning evening')

/** What rows are called that nothing but their owner tells apart: "an order has its lines". */
export const rowNouns = set('line row entry position')
