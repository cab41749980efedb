import { AxeBuilder } from '@axe-core/webdriverjs'
import type { Browser } from './browser'

const still =
  'return document.getAnimations().every((one) => one.playState !== "running") && !document.querySelector("[data-removed=true]")'

/** Everything axe finds wrong on the page as it stands, in words. */
export async function faults(browser: Browser): Promise<string[]> {
  const found = await look(browser)
  // A message may have begun to fade while the page was looked at; what is wrong with the page stays wrong.
  return found.length === 0 ? found : look(browser)
}

async function look(browser: Browser): Promise<string[]> {
  // A message on its way in or out is half transparent; what people read is judged when it stands still.
  await browser.driver.wait(() => browser.driver.executeScript<boolean>(still), 4000).catch(() => undefined)
  const { violations } = await new AxeBuilder(browser.driver)
    .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
    .analyze()
  return violations.flatMap((violation) => violation.nodes.map((node) => `${violation.id}: ${node.html.slice(0, 160)}`))
}
