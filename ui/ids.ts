/** A new id for a part of a book, made in the browser. */
export const freshId = () => crypto.randomUUID().replaceAll('-', '').slice(0, 16)
