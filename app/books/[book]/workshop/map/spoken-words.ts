import type { AriaLabelConfig } from '@xyflow/react'

/** What the drawing says to those who hear it, and on its buttons. */
export const spokenWords: Partial<AriaLabelConfig> = {
  'node.a11yDescription.default': 'Enter chooses the card, Escape releases it.',
  'node.a11yDescription.keyboardDisabled':
    'Enter chooses the card, the arrow keys move it then, with Shift in longer steps, and Escape releases it.',
  'node.a11yDescription.ariaLiveMessage': ({ direction, x, y }) =>
    `Moved ${direction}, to ${Math.round(x)} across and ${Math.round(y)} down.`,
  'controls.ariaLabel': 'How the map is seen',
  'controls.zoomIn.ariaLabel': 'Nearer',
  'controls.zoomOut.ariaLabel': 'Further away',
  'controls.fitView.ariaLabel': 'The whole map',
  'minimap.ariaLabel': 'The whole map, in small',
}
