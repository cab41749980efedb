export { editBook, goBackTo, redo, type Saved, type Seen, undo } from './edit-book'
export { historyOf, type HistoryEntry, othersSince } from './history'
export { booksOf, findBook, makeBook, type ShelfEntry, type StoredBook, storedBook } from './shelf'
