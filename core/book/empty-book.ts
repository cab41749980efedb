import type { Look } from '../kinds'
import type { Book } from './book'

export const emptyBook = (name: string, look: Look): Book => ({
  format: 1,
  name,
  look,
  needs: [],
  tables: [],
  links: [],
  pairs: [],
  rules: [],
  dismissed: [],
  areas: [],
  remarks: [],
  sheet: {},
  lists: [],
  reports: [],
  templates: [],
  forms: [],
})
