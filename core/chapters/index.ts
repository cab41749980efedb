export { type Chapter, type ChapterName, chapterNames, chaptersOf } from './chapters'
