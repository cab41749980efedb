/** What databases that keep to the standard write alike. */
export const doubleQuoted = (name: string) => `"${name.replaceAll('"', '""')}"`
export const singleQuoted = (text: string) => `'${text.replaceAll("'", "''")}'`
export const folded = (text: string) => `LOWER(RTRIM(${text}, ' '))`
