import { expect, test } from 'vitest'
import { planPaper, readable } from './paper'

test('a map comes onto one page, or onto as many as it takes to read it, and no further', () => {
  const whole = { x: 0, y: 0, width: 1300, height: 900 }
  const one = planPaper(whole, { paper: 'a4', upright: false, pages: 'one' })
  expect(one.pages).toHaveLength(1)
  expect(one.smallest).toBeLessThan(readable)
  const several = planPaper(whole, { paper: 'a4', upright: false, pages: 'readable' })
  expect(several.smallest).toBeGreaterThanOrEqual(readable)
  expect(several.pages.length).toBeLessThanOrEqual(4)
  expect(planPaper(whole, { paper: 'a3', upright: false, pages: 'readable' }).pages).toHaveLength(1)
  // Every bit of it is on some page, and neighbours share a strip.
  const covered = (x: number, y: number) =>
    several.pages.some(
      ({ view }) => x >= view.x && x <= view.x + view.width && y >= view.y && y <= view.y + view.height,
    )
  for (let x = 0; x <= 1300; x += 50) for (let y = 0; y <= 900; y += 50) expect(covered(x, y)).toBe(true)
  const [left, right] = several.pages
  expect(several.columns).toBeGreaterThan(1)
  expect(left!.view.x + left!.view.width - right!.view.x).toBeCloseTo(several.shared, 6)
})

test('a small map isn’t blown up, however large the paper', () => {
  const plan = planPaper({ x: 0, y: 0, width: 200, height: 100 }, { paper: 'a1', upright: true, pages: 'one' })
  expect(plan.pages[0]!.view.width).toBeCloseTo(((594 - 20) * 96) / 25.4, 3)
})
