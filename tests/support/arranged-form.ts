import type { Browser } from './browser'

/** Goes to a part of a form that is being arranged, by its name. */
export async function focusOn(browser: Browser, part: string): Promise<void> {
  const handle = await browser.see(`[data-handle][aria-label^="${part},"]`)
  await browser.driver.executeScript('arguments[0].focus()', handle)
}
