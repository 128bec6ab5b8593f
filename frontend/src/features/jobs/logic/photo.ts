// As large as the server keeps: what is larger is made smaller here, so that a weak line carries it.
const LONG_SIDE = 2400
const SMALL_ENOUGH = 1_500_000

function base64(data: ArrayBuffer): string {
  const bytes = new Uint8Array(data)
  let text = ''
  for (let k = 0; k < bytes.length; k += 0x8000) text += String.fromCharCode(...bytes.subarray(k, k + 0x8000))
  return btoa(text)
}

async function smaller(file: Blob): Promise<Blob | null> {
  const picture = await createImageBitmap(file, { imageOrientation: 'from-image' })
  const by = Math.min(1, LONG_SIDE / Math.max(picture.width, picture.height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.round(picture.width * by)
  canvas.height = Math.round(picture.height * by)
  canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height)
  picture.close()
  return new Promise((done) => canvas.toBlob(done, 'image/jpeg', 0.86))
}

/** A photo as base64, made smaller where it is large and the browser can; the server decides what is a photo. */
export async function fitted(file: Blob): Promise<string> {
  let kept: Blob = file
  if (file.size > SMALL_ENOUGH && typeof createImageBitmap === 'function') {
    try {
      kept = (await smaller(file)) ?? file
    } catch {
      // What the browser cannot open goes as it is: the server says what is wrong with it.
    }
  }
  return base64(await kept.arrayBuffer())
}
