import { slow, RATE, wavOf } from './wav'

/** Seconds of sound that are sent: from a little before the pluck on. */
const SECONDS = 2
const BEFORE = 0.3
const LONGEST_WAIT = 12

/** The loudest moment of a sound, by hundredths of a second. */
function loudest(x: Float32Array, rate: number): number {
  const step = Math.max(1, Math.floor(rate / 100))
  let best = 0
  let at = 0
  for (let k = 0; k + step <= x.length; k += step) {
    let sum = 0
    for (let n = k; n < k + step; n++) sum += (x[n] ?? 0) ** 2
    if (sum > best) {
      best = sum
      at = k
    }
  }
  return at
}
const cut = (x: Float32Array<ArrayBuffer>, rate: number): Float32Array<ArrayBuffer> => {
  const from = Math.max(0, loudest(x, rate) - Math.floor(BEFORE * rate))
  return x.slice(from, from + Math.floor(SECONDS * rate))
}

/** Listen to the microphone for one pluck; comes back with a WAV as base64. Refusals of the browser are told in plain words. */
export async function listen(level: (loud: number) => void, stop: AbortSignal): Promise<string> {
  if (!navigator.mediaDevices?.getUserMedia) throw new Error('This browser lets no page listen; type the note instead.')
  let stream: MediaStream
  try {
    // What a telephone does to voices would spoil a belt's note.
    const audio = { echoCancellation: false, noiseSuppression: false, autoGainControl: false }
    stream = await navigator.mediaDevices.getUserMedia({ audio })
  } catch {
    throw new Error('The microphone was not allowed, or there is none. Allow it for this page, or type the note.')
  }
  const context = new AudioContext()
  try {
    await context.audioWorklet.addModule('/listen-worklet.js')
    const node = new AudioWorkletNode(context, 'listen')
    context.createMediaStreamSource(stream).connect(node)
    const pieces: Float32Array[] = []
    let quiet = Infinity
    let heard = -1
    let count = 0
    const sound = await new Promise<Float32Array<ArrayBuffer>>((done, failed) => {
      const end = () => {
        const all = new Float32Array(count)
        let at = 0
        for (const p of pieces) {
          all.set(p, at)
          at += p.length
        }
        done(all)
      }
      stop.addEventListener('abort', () => failed(new Error('')))
      node.port.onmessage = (e: MessageEvent<Float32Array>) => {
        pieces.push(e.data)
        count += e.data.length
        const loud = e.data.reduce((m, x) => Math.max(m, Math.abs(x)), 0)
        level(loud)
        const seconds = count / context.sampleRate
        // A pluck stands out of what was there before it; then it rings for its two seconds.
        if (heard < 0 && seconds > 0.4 && loud > Math.max(0.02, 4 * quiet)) heard = seconds
        if (heard < 0) quiet = quiet === Infinity ? loud : 0.95 * quiet + 0.05 * loud
        if ((heard >= 0 && seconds > heard + SECONDS) || seconds > LONGEST_WAIT) end()
      }
    })
    return wavOf(await slow(cut(sound, context.sampleRate), context.sampleRate), RATE)
  } finally {
    stream.getTracks().forEach((t) => t.stop())
    await context.close()
  }
}

/** A sound file that was picked, made small; what is no sound is said in plain words. */
export async function fromFile(file: File): Promise<string> {
  const context = new AudioContext()
  try {
    const buffer = await context.decodeAudioData(await file.arrayBuffer())
    const x = new Float32Array(buffer.getChannelData(0))
    if (buffer.duration > 60) throw new Error('Too long for a pluck: a second or two of it will do.')
    return wavOf(await slow(cut(x, buffer.sampleRate), buffer.sampleRate), RATE)
  } catch (e) {
    if (e instanceof Error && e.message.startsWith('Too long')) throw e
    throw new Error('This file is no sound that the browser can read.', { cause: e })
  } finally {
    await context.close()
  }
}
