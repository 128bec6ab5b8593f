"""What no picture may have: a word on another, a word out of its picture, letters that nobody reads, a sentence without gaps."""

from __future__ import annotations

# Measured on what the browser laid out. A word may touch the next; a third of its height over it is a clash.
LOST_WORDS = """() => {
  const seen = (e) => { const r = e.getBoundingClientRect(); return r.width > 1 && r.height > 1 && getComputedStyle(e).visibility !== 'hidden' }
  const said = (t) => t.textContent.trim().replace(/\\s+/g, ' ').slice(0, 40)
  const found = []
  for (const svg of document.querySelectorAll('svg')) {
    if (!seen(svg)) continue
    const edge = svg.getBoundingClientRect()
    const clips = getComputedStyle(svg).overflow !== 'visible'
    const words = [...svg.querySelectorAll('text')].filter((t) => t.textContent.trim() && seen(t)).map((t) => [t, t.getBoundingClientRect()])
    words.forEach(([t, a], k) => {
      if (clips && (a.left < edge.left - 2 || a.right > edge.right + 2 || a.top < edge.top - 3 || a.bottom > edge.bottom + 3))
        found.push('cut off: ' + said(t))
      if (a.height < 9) found.push('too small: ' + said(t))
      words.slice(k + 1).forEach(([u, b]) => {
        const wide = Math.min(a.right, b.right) - Math.max(a.left, b.left)
        const high = Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top)
        if (wide > 3 && high > Math.min(a.height, b.height) / 3) found.push(said(t) + ' on ' + said(u))
      })
    })
  }
  for (const e of document.querySelectorAll('.view *')) {
    const own = [...e.childNodes].filter((n) => n.nodeType === 3).map((n) => n.data).join(' ').trim()
    const style = getComputedStyle(e)
    // Figures draw their gaps in; words of the text face lose them by that.
    if (parseFloat(style.wordSpacing) < 0 && !/mono/i.test(style.fontFamily.split(',')[0]) && /[a-z]{2,} [a-z]{2,}/i.test(own) && seen(e))
      found.push('no gaps: ' + own.slice(0, 40))
  }
  return [...new Set(found)]
}"""
