/** The colours of a map, by what they are for. On screen they follow the window's theme; in a file they are its own. */
export interface MapTheme {
  readonly ground: string
  readonly card: string
  readonly joining: string
  readonly frame: string
  readonly joiningFrame: string
  readonly ink: string
  readonly soft: string
  readonly key: string
  readonly link: string
  readonly chosen: string
  readonly onChosen: string
  readonly lit: string
  readonly remark: string
  /** What is made from what. */
  readonly stream: string
  readonly areas: Readonly<Record<'spruce' | 'brass' | 'sky' | 'moss' | 'plum', string>>
}

export const screenTheme: MapTheme = {
  ground: 'var(--ash-1)',
  card: 'var(--paper)',
  joining: 'var(--brass-tint)',
  frame: 'var(--ash-4)',
  joiningFrame: 'var(--bright-brass)',
  ink: 'var(--ink)',
  soft: 'var(--ash-6)',
  key: 'var(--bright-brass)',
  link: 'var(--spruce)',
  chosen: 'var(--spruce)',
  onChosen: 'var(--on-spruce)',
  lit: 'var(--spruce-tint)',
  remark: 'var(--brass-tint)',
  stream: 'var(--ash-5)',
  areas: {
    spruce: 'var(--spruce)',
    brass: 'var(--bright-brass)',
    sky: 'var(--sky)',
    moss: 'var(--moss)',
    plum: 'var(--plum)',
  },
}

const light: MapTheme = {
  ground: '#f6f7f5',
  card: '#ffffff',
  joining: '#f7ecd2',
  frame: '#c1c8c1',
  joiningFrame: '#d9a63a',
  ink: '#1d2422',
  soft: '#465049',
  key: '#d9a63a',
  link: '#14625c',
  chosen: '#14625c',
  onChosen: '#ffffff',
  lit: '#dcece9',
  remark: '#f7ecd2',
  stream: '#5f6a62',
  areas: { spruce: '#14625c', brass: '#d9a63a', sky: '#2b5f8f', moss: '#5d7022', plum: '#6a3d7c' },
}

const dark: MapTheme = {
  ground: '#161b19',
  card: '#1b211f',
  joining: '#3d3115',
  frame: '#4c5853',
  joiningFrame: '#d9a63a',
  ink: '#eef1ee',
  soft: '#bcc6c0',
  key: '#d9a63a',
  link: '#6cc3b8',
  chosen: '#6cc3b8',
  onChosen: '#0c211f',
  lit: '#17413d',
  remark: '#3d3115',
  stream: '#9aa69f',
  areas: { spruce: '#6cc3b8', brass: '#d9a63a', sky: '#93c1ea', moss: '#b6cc77', plum: '#d0a5e2' },
}

/** What a saved map can look like. Print spares ink; high contrast is black on white with nothing pale. */
export const fileThemes = {
  light: { title: 'Light', colours: light },
  dark: { title: 'Dark', colours: dark },
  print: {
    title: 'Print',
    colours: {
      ...light,
      ground: '#ffffff',
      joining: '#ffffff',
      frame: '#5f6a62',
      joiningFrame: '#7d560c',
      lit: '#eceeea',
      remark: '#ffffff',
    },
  },
  contrast: {
    title: 'High contrast',
    colours: {
      ...light,
      ground: '#ffffff',
      joining: '#ffffff',
      frame: '#000000',
      joiningFrame: '#000000',
      ink: '#000000',
      soft: '#000000',
      key: '#000000',
      link: '#000000',
      lit: '#ffffff',
      remark: '#ffffff',
      stream: '#000000',
      areas: { spruce: '#000000', brass: '#000000', sky: '#000000', moss: '#000000', plum: '#000000' },
    },
  },
} as const satisfies Record<string, { title: string; colours: MapTheme }>
export type FileTheme = keyof typeof fileThemes
