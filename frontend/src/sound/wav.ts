/** Rate that is sent: a belt's note lies far below half of it, and the sound stays small on a thin line. */
export const RATE = 4000

/** A sound as 16-bit WAV, base64. Packing, not arithmetic of the trade. */
export function wavOf(samples: Float32Array, rate: number): string {
  const bytes = new DataView(new ArrayBuffer(44 + samples.length * 2))
  const text = (at: number, s: string) => [...s].forEach((c, k) => bytes.setUint8(at + k, c.charCodeAt(0)))
  text(0, 'RIFF')
  bytes.setUint32(4, 36 + samples.length * 2, true)
  text(8, 'WAVEfmt ')
  bytes.setUint32(16, 16, true)
  bytes.setUint16(20, 1, true)
  bytes.setUint16(22, 1, true)
  bytes.setUint32(24, rate, true)
  bytes.setUint32(28, rate * 2, true)
  bytes.setUint16(32, 2, true)
  bytes.setUint16(34, 16, true)
  text(36, 'data')
  bytes.setUint32(40, samples.length * 2, true)
  samples.forEach((x, k) => bytes.setInt16(44 + k * 2, Math.max(-1, Math.min(1, x)) * 32767, true))
  let out = ''
  for (const b of new Uint8Array(bytes.buffer)) out += String.fromCharCode(b)
  return btoa(out)
}

/** A sound at the rate that is sent; the browser filters what lies above it. */
export async function slow(samples: Float32Array<ArrayBuffer>, rate: number): Promise<Float32Array> {
  const length = Math.max(1, Math.floor((samples.length * RATE) / rate))
  const offline = new OfflineAudioContext(1, length, RATE)
  const buffer = offline.createBuffer(1, samples.length, rate)
  buffer.copyToChannel(samples, 0)
  const source = offline.createBufferSource()
  source.buffer = buffer
  source.connect(offline.destination)
  source.start()
  return (await offline.startRendering()).getChannelData(0)
}
