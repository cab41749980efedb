export { type Chapter, chapterNames, chaptersOf } from './chapters'
