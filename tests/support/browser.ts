import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import {
  Builder,
  By,
  error,
  type IWebDriverOptionsCookie,
  Key,
  logging,
  until,
  type WebDriver,
  type WebElement,
} from 'selenium-webdriver'
import { Options, ServiceBuilder } from 'selenium-webdriver/chrome'
import { find } from '@/setup/packages.mjs'

const flags = [
  '--headless=new',
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--no-default-browser-check',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--disable-dev-shm-usage',
  '--force-device-scale-factor=1',
  '--lang=en-GB',
]

/** How long something is waited for before it is given up: late, because a machine may be busy. */
export const patience = Number(process.env.HEARTH_PATIENCE ?? 60_000)

export interface Size {
  readonly width: number
  readonly height: number
}

const passing = [
  error.StaleElementReferenceError,
  error.ElementClickInterceptedError,
  error.ElementNotInteractableError,
  error.NoSuchElementError,
]

/** A headless browser and the acts of a person at it. Waits for what it looks for, never for a time. */
export class Browser {
  private constructor(
    readonly driver: WebDriver,
    readonly url: string,
    private readonly profile: string,
  ) {}

  /** With `traced`, the browser notes in its performance log when it draws frames. */
  static async start(url: string, size: Size = { width: 1280, height: 800 }, traced = false): Promise<Browser> {
    const profile = mkdtempSync(join(tmpdir(), 'hearth-browser-'))
    const options = new Options()
    options.addArguments(...flags, `--user-data-dir=${profile}`)
    options.setChromeBinaryPath(find('chromium') ?? 'chromium')
    const preferences = new logging.Preferences()
    preferences.setLevel(logging.Type.BROWSER, logging.Level.ALL)
    if (traced) {
      preferences.setLevel(logging.Type.PERFORMANCE, logging.Level.ALL)
      // The driver knows fewer of these than the types ask for.
      const wish = { traceCategories: 'blink.user_timing,viz' }
      options.setPerfLoggingPrefs(wish as Parameters<Options['setPerfLoggingPrefs']>[0])
    }
    options.setLoggingPrefs(preferences)
    const driver = await new Builder()
      .forBrowser('chrome')
      .setChromeOptions(options)
      .setChromeService(new ServiceBuilder(find('chromedriver') ?? 'chromedriver'))
      .build()
    const browser = new Browser(driver, url, profile)
    await browser.resize(size)
    return browser
  }

  /** A true size of the page itself; the window's own includes a frame. */
  async resize({ width, height }: Size): Promise<void> {
    await this.command('Emulation.setDeviceMetricsOverride', { width, height, deviceScaleFactor: 1, mobile: false })
  }

  command(name: string, parameters: object): Promise<unknown> {
    return (
      this.driver as unknown as { sendAndGetDevToolsCommand: (name: string, parameters: object) => Promise<unknown> }
    ).sendAndGetDevToolsCommand(name, parameters)
  }

  /** Takes the way to the server away, or gives it back. */
  async offline(offline: boolean): Promise<void> {
    const unhindered = { latency: 0, downloadThroughput: -1, uploadThroughput: -1 }
    await this.command('Network.enable', {})
    await this.command('Network.emulateNetworkConditions', { offline, ...unhindered })
  }

  async end(): Promise<void> {
    await this.driver.quit()
    rmSync(this.profile, { recursive: true, force: true })
  }

  /** Goes to an address, as somebody does who looks whether all is saved before. */
  async go(path: string): Promise<void> {
    const saved = `return !document.querySelector('[data-waiting]:not([data-waiting="0"])')`
    await this.driver.wait(() => this.driver.executeScript<boolean>(saved), patience, 'It was never saved.')
    await this.driver.get(this.url + path)
  }

  /** The first element in sight, waited for. */
  async see(css: string, within = patience): Promise<WebElement> {
    return this.steady(async () => {
      const element = await this.driver.wait(until.elementLocated(By.css(css)), within, `Nothing like ${css} appeared.`)
      return this.driver.wait(until.elementIsVisible(element), within, `${css} is there but not in sight.`)
    })
  }

  /** Waits until the page says some words. */
  async read(words: string | RegExp, within = patience): Promise<string> {
    let last = ''
    await this.driver
      .wait(
        async () => {
          last = await this.driver.executeScript<string>('return document.body.innerText')
          return typeof words === 'string' ? last.includes(words) : words.test(last)
        },
        within,
        `The page never said ${String(words)}.`,
      )
      .catch((cause: unknown) => {
        throw new Error(`The page never said ${String(words)}. It says:\n${last.slice(0, 3000)}`, { cause })
      })
    return last
  }

  /** Something to press: a button, link or tab by its name, as people and screen readers know it. */
  named = (name: string, within = patience) =>
    this.called(
      name,
      'button, a, [role=button], [role=option], [role=menuitem], [role=radio], input, textarea, select',
      within,
    )

  /** A box to fill by its label. */
  box = (name: string, within = patience) =>
    this.called(name, 'input, textarea, select, [role=checkbox], [role=textbox]', within)

  private async called(name: string, css: string, within: number): Promise<WebElement> {
    const script = `
      const [want, css] = arguments
      const shown = (e) => e.getClientRects().length > 0 && getComputedStyle(e).visibility !== 'hidden'
      const nameOf = (e) => (e.getAttribute('aria-label') || (e.labels && e.labels[0] && e.labels[0].innerText) || e.innerText || e.placeholder || '').replace(/\\s+/g, ' ').replace(/ \\*$/, '').trim()
      // What came from the server can be seen before it can answer: until then nobody should press it.
      const awake = (e) => e.closest('.cm-editor') || Object.keys(e).some((key) => key.startsWith('__react'))
      const all = [...document.querySelectorAll(css)].filter((e) => shown(e) && awake(e) && !e.closest('[inert]'))
      const top = [...document.querySelectorAll('[role=dialog]')].pop()
      const inTop = top ? all.filter((e) => top.contains(e) || e.closest('[data-sonner-toaster]') || e.getAttribute('role') === 'option') : all
      return inTop.find((e) => nameOf(e) === want) || inTop.find((e) => nameOf(e).startsWith(want)) || null`
    let found: WebElement | null = null
    await this.driver.wait(
      async () => (found = await this.driver.executeScript<WebElement | null>(script, name, css)) !== null,
      within,
      `Nothing is called “${name}”.`,
    )
    return found!
  }

  press = (name: string): Promise<void> =>
    this.steady(async () => {
      const element = await this.named(name)
      await this.driver.wait(() => element.isEnabled(), patience, `“${name}” can’t be pressed.`)
      await this.driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', element)
      await element.click()
    })

  /**
   * A page that is just drawn anew may take an element away between finding and using it, move it under a message, or
   * not have its options yet; then it is found again.
   */
  private async steady<T>(act: () => Promise<T>): Promise<T> {
    const until = Date.now() + patience
    for (;;) {
      try {
        return await act()
      } catch (cause) {
        if (!passing.some((kind) => cause instanceof kind) || Date.now() > until) throw cause
        await this.driver.sleep(100)
      }
    }
  }

  /** Goes to a chapter by its bead on the thread, and waits until it is there: both may have a button of one name. */
  async chapter(name: string): Promise<void> {
    await this.steady(async () => (await this.see(`nav[aria-label="Chapters"] a[href$="/${name}"]`)).click())
    await this.driver.wait(
      async () => (await this.path()).endsWith(`/workshop/${name}`),
      patience,
      `${name} never came.`,
    )
  }

  /** Chooses one of the answers that stand side by side under a question. */
  answer = (question: string, words: string): Promise<void> =>
    this.steady(async () => {
      const group = await this.see(
        `[role="group"][aria-label="${question}"], [role="radiogroup"][aria-label="${question}"]`,
      )
      for (const choice of await group.findElements(By.css('button'))) {
        if ((await choice.getText()).startsWith(words)) return choice.click()
      }
      throw new error.NoSuchElementError(`“${question}” has no answer “${words}”.`)
    })

  /** Puts words into a box by its name, in place of what stood there. */
  fill = (name: string, words: string): Promise<void> =>
    this.steady(async () => {
      const box = await this.box(name)
      await this.driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', box)
      await box.click()
      await box.sendKeys(Key.chord(Key.CONTROL, 'a'), Key.DELETE)
      // Some drivers have keys for the oldest 65 536 characters alone.
      if (/[\u{10000}-\u{10ffff}]/u.test(words)) await this.command('Input.insertText', { text: words })
      else if (words) await box.sendKeys(words)
    })

  /** Chooses one of the options of a box, by their words. */
  choose = (name: string, option: string): Promise<void> =>
    this.steady(async () => {
      const box = await this.box(name)
      await box.findElement(By.xpath(`.//option[normalize-space() = "${option}"]`)).click()
    })

  /** What stands in a box, by its name; asked again where the page drew it anew meanwhile. */
  value = (name: string): Promise<string> =>
    this.steady(async () => (await (await this.box(name)).getAttribute('value')) ?? '')

  /** Waits until a box holds some words; says what it holds instead where it never does. */
  async holds(name: string, words: string, within = patience): Promise<void> {
    let last = ''
    await this.driver
      .wait(async () => (last = await this.value(name)) === words, within)
      .catch((cause: unknown) => {
        throw new Error(`“${name}” never held “${words}”. It holds “${last}”.`, { cause })
      })
  }

  /** Types into whatever has the focus. */
  type = (...keys: string[]): Promise<void> =>
    this.steady(() =>
      this.driver
        .switchTo()
        .activeElement()
        .sendKeys(...keys),
    )

  focused = () =>
    this.driver.executeScript<string>(
      'const e = document.activeElement; return e.getAttribute("aria-label") || (e.labels && e.labels[0] ? e.labels[0].innerText : e.innerText) || ""',
    )

  path = () => this.driver.executeScript<string>('return location.pathname + location.search')

  async signIn(name: string, password: string): Promise<void> {
    await this.go('/sign-in')
    await this.fill('Your name', name)
    await this.fill('Password', password)
    await this.type(Key.ENTER)
    await this.read('Record books')
  }

  /** The very first start: the administrator's account and a first book, up to its empty Needs. */
  async begin(book: string): Promise<void> {
    await this.go('/')
    await this.read('Welcome to Hearth Table')
    await this.type('Averil Teal', Key.TAB, 'a quiet little town', Key.ENTER)
    await this.read('Make your first record book')
    await this.type(book, Key.ENTER)
    await this.read('Start from the business')
  }

  /** Pastes as a person does: the browser's own paste event with text on it. */
  paste = (text: string): Promise<unknown> =>
    this.driver.executeScript(
      `const data = new DataTransfer(); data.setData('text/plain', arguments[0])
       document.activeElement.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }))`,
      text,
    )

  cookies = (): Promise<IWebDriverOptionsCookie[]> => this.driver.manage().getCookies()

  /** What the browser complained of since it was last asked: errors only. */
  async complaints(): Promise<string[]> {
    const entries = await this.driver.manage().logs().get(logging.Type.BROWSER)
    return entries.filter((entry) => entry.level.value >= logging.Level.SEVERE.value).map((entry) => entry.message)
  }

  async picture(): Promise<Buffer> {
    const { data } = (await this.command('Page.captureScreenshot', { format: 'png' })) as { data: string }
    return Buffer.from(data, 'base64')
  }
}

export { Key }
