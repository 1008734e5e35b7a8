import { prepareZXingModule, readBarcodes as read } from 'zxing-wasm/reader'
import wasm from 'zxing-wasm/reader/zxing_reader.wasm?url'

prepareZXingModule({ overrides: { locateFile: (path: string, prefix: string) => (path.endsWith('.wasm') ? wasm : prefix + path) } })

/** The longest Interleaved 2 of 5 code in the picture, or null. */
export async function readBarcodes(image: Blob | ImageData): Promise<string | null> {
  const found = await read(image, { formats: ['ITF'], tryHarder: true })
  return found.map((r) => r.text).sort((a, b) => b.length - a.length)[0] ?? null
}

/** What the code of a joint's tag says, or null. */
export async function readTag(image: Blob): Promise<string | null> {
  return (await read(image, { formats: ['QRCode'], tryHarder: true }))[0]?.text ?? null
}
