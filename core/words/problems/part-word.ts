/** The plain noun for a part of a book. */
export type PartWord =
  'need' | 'table' | 'field' | 'link' | 'pairing' | 'choice' | 'rule' | 'book' | 'note' | 'area' | 'list' | 'report'
