export function find(program: 'mariadbd' | 'mariadb-install-db' | 'chromium' | 'chromedriver'): string | undefined
export function ensurePrograms(programs: readonly string[]): void
