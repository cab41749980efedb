export { editBook, goBackTo, redo, type Saved, undo } from './edit-book'
export { historyOf, type HistoryEntry, othersSince, stepsSince } from './history'
export { addBook, booksOf, findBook, makeBook, parsed, type StoredBook, storedBook } from './shelf'
export { dropList, keepList, listsFor } from './kept-lists'
