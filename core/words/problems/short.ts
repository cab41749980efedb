/** As much of what was typed as a sentence bears. */
export const short = (text: string) => (text.length > 40 ? `${text.slice(0, 39)}…` : text)
