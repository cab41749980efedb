import type { Box, Point } from '@/core/map'

/** A plain way between two cards while one of them is being moved; the careful one comes when it rests. */
export function quickWay(a: Box, b: Box): Point[] {
  const [left, right] = a.x + a.width / 2 <= b.x + b.width / 2 ? [a, b] : [b, a]
  const middle = (box: Box) => box.y + box.height / 2
  if (right.x > left.x + left.width) {
    const x = (left.x + left.width + right.x) / 2
    return [
      { x: left.x + left.width, y: middle(left) },
      { x, y: middle(left) },
      { x, y: middle(right) },
      { x: right.x, y: middle(right) },
    ]
  }
  const [upper, lower] = middle(a) <= middle(b) ? [a, b] : [b, a]
  const y = (upper.y + upper.height + lower.y) / 2
  const centre = (box: Box) => box.x + box.width / 2
  return [
    { x: centre(upper), y: upper.y + upper.height },
    { x: centre(upper), y },
    { x: centre(lower), y },
    { x: centre(lower), y: lower.y },
  ]
}
