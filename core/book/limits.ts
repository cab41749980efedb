/** How much a book may hold, and how long its texts may be; each is stated in docs/limits.md. */
export const limits = {
  needs: 2000,
  tables: 300,
  fieldsPerTable: 200,
  links: 900,
  dismissed: 5000,
  areas: 60,
  remarks: 200,
  remarkLength: 600,
  rules: 1000,
  nameLength: 60,
  needLength: 2000,
  describeLength: 500,
  lists: 500,
  reports: 500,
  templates: 300,
  forms: 300,
  /** Parts on a form, those in its groups too. */
  formParts: 500,
  /** Lines of letters that a box is high. */
  formTall: 30,
  /** Rows in sight in a form. */
  formRowsShown: 50,
  /** Letters in one piece of a document's text. */
  passageLength: 4000,
  inlines: 400,
  blocks: 300,
  /** How deep what stands only under a condition may stand in such. */
  onlyDepth: 2,
  addressLines: 12,
  mailParagraphs: 40,
  tableRows: 60,
  tableColumns: 8,
  rowColumns: 20,
  letterheadLength: 300,
  columns: 60,
  /** Links on the way from a list's records to others. */
  hops: 6,
  conditions: 200,
  conditionDepth: 8,
  /** Values that a field may be one of. */
  oneOf: 200,
  givenLength: 400,
  asks: 12,
  orders: 8,
  groups: 4,
  /** Records, or groups, of which only the first are asked for. */
  first: 500,
  /** Fields by which something occurs more than once. */
  repeats: 4,
} as const
