/** How much a book may hold, and how long its texts may be; each is stated in docs/limits.md. */
export const limits = {
  needs: 2000,
  tables: 300,
  fieldsPerTable: 200,
  links: 900,
  waved: 5000,
  areas: 60,
  remarks: 200,
  remarkLength: 600,
  rules: 1000,
  nameLength: 60,
  needLength: 2000,
  describeLength: 500,
} as const
