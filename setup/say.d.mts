export class Stop extends Error {}
export function say(line: string): void
