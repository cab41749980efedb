/** Problems a person can mend: told in one sentence, never as a stack trace. */
export class Stop extends Error {}

export const say = (line) => process.stderr.write(`${line}\n`)
