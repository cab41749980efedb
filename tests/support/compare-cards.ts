/**
 * A script for the browser: draws the visit's card out of a saved file and out of the page, and says what share of
 * the dots is the same.
 */
export const compareCards = `
  const [file] = arguments
  const size = (e) => e.getBoundingClientRect()
  const page = document.querySelector('.react-flow__node[data-id=visit] svg').cloneNode(true)
  const parsed = new DOMParser().parseFromString(file, 'image/svg+xml').documentElement
  const style = parsed.querySelector('style').textContent
  const group = [...parsed.querySelectorAll('g[transform]')].find((g) => [...g.querySelectorAll('text')].some((t) => t.textContent === 'Visit' && t.getAttribute('font-weight') === '700'))
  const [width, height] = [page.getAttribute('width'), page.getAttribute('height')]
  const colours = getComputedStyle(document.documentElement)
  const own = new XMLSerializer().serializeToString(page).replace(/var\\((--[\\w-]+)\\)/g, (_, name) => colours.getPropertyValue(name).replace(/light-dark\\(([^,]+),.*\\)/, '$1').trim())
  const wrap = (inner) => '<svg xmlns="http://www.w3.org/2000/svg" width="' + width + '" height="' + height + '" viewBox="0 0 ' + width + ' ' + height + '" font-family="\\'Atkinson Hyperlegible Next\\'"><style>' + style + '</style><rect width="100%" height="100%" fill="white"/>' + inner + '</svg>'
  group.removeAttribute('transform')
  const draw = (text) => new Promise((resolve, reject) => {
    const image = new Image()
    image.onerror = () => reject(new Error('no drawing'))
    image.onload = () => {
      const canvas = document.createElement('canvas')
      canvas.width = width * 2; canvas.height = height * 2
      const context = canvas.getContext('2d', { willReadFrequently: true })
      context.drawImage(image, 0, 0, canvas.width, canvas.height)
      resolve(context.getImageData(0, 0, canvas.width, canvas.height).data)
    }
    image.src = URL.createObjectURL(new Blob([text], { type: 'image/svg+xml' }))
  })
  return Promise.all([draw(wrap(own)), draw(wrap(new XMLSerializer().serializeToString(group)))]).then(([a, b]) => {
    let same = 0
    for (let at = 0; at < a.length; at += 4) if (Math.abs(a[at] - b[at]) + Math.abs(a[at + 1] - b[at + 1]) + Math.abs(a[at + 2] - b[at + 2]) < 60) same++
    return same / (a.length / 4)
  })`
