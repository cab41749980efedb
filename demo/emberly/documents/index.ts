import type { DesignWriter } from '../../design'
import { bill } from './bill'
import { certificate } from './certificate'
import { documentsIn } from './drafting'
import { jobCard } from './job-card'
import { reminders } from './reminders'

/** What the office hands to people. */
export function emberlyDocuments(design: DesignWriter): void {
  design.make({
    kind: 'changeLetterhead',
    to: {
      name: 'Emberly Flue Care',
      lines: '4 Ferry Lane\nOtterby OT1 4EF\n01555 0142 · office@emberly.example',
      foot: 'Sweeping, servicing and certificates for stoves, fires and boilers',
      colours: { words: '#7d3b24', lines: '#c98b5a' },
    },
  })
  const documents = documentsIn(design)
  bill(documents)
  certificate(documents)
  jobCard(documents)
  reminders(documents)
}
