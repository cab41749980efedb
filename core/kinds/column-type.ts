/** What a column holds, whatever database it stands in: how that is written there is said by the dialects (`core/sql`). */
export type ColumnType =
  /** Up to so many characters, of which one line is meant. */
  | { readonly is: 'text'; readonly most: number }
  | { readonly is: 'longText' }
  /** Without decimals, in so many bytes. */
  | { readonly is: 'whole'; readonly bytes: 1 | 4 | 8; readonly unsigned?: true }
  /** So many digits before the point, and so many decimals behind it. */
  | { readonly is: 'exact'; readonly whole: number; readonly scale: number }
  /** A binary floating-point number of double precision. */
  | { readonly is: 'measured' }
  | { readonly is: 'truth' }
  | { readonly is: 'date' }
  | { readonly is: 'time' }
  | { readonly is: 'moment' }
  /** The SHA-256 of a file, in hexadecimal digits. */
  | { readonly is: 'fileHash' }
