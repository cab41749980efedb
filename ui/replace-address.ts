/**
 * Puts another address in place of this page's own, for what is shown on it, at once: nothing is asked of the server.
 * Whoever reads the address while drawing is drawn anew.
 */
export const replaceAddress = (address: string): void => window.history.replaceState(null, '', address)
