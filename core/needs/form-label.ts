/** One label of a paper form, and what it is about. */
export interface FormLabel {
  readonly label: string
  /** "form": once for each form; "lines": in the block that repeats; "total": calculated from the lines; else whom or what it describes. */
  readonly of: 'form' | 'lines' | 'total' | 'party'
  /** The party's name, where it belongs to one: "Customer". */
  readonly party?: string
  /** The fact's own name, without the party's. */
  readonly name: string
}
