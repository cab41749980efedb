import { AxeBuilder } from '@axe-core/webdriverjs'
import type { Browser } from './browser'

/** Everything axe finds wrong on the page as it stands, in words. */
export async function faults(browser: Browser): Promise<string[]> {
  const { violations } = await new AxeBuilder(browser.driver)
    .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
    .analyze()
  return violations.flatMap((violation) => violation.nodes.map((node) => `${violation.id}: ${node.html.slice(0, 160)}`))
}
