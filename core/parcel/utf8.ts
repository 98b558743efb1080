/** UTF-8 as every JavaScript has it, though neither its language nor this floor's types name it (WHATWG Encoding). */
declare const TextEncoder: new () => { encode(text: string): Uint8Array }
declare const TextDecoder: new (
  label: 'utf-8',
  options: { readonly fatal: boolean },
) => { decode(bytes: Uint8Array): string }

export const encodeUtf8 = (text: string): Uint8Array => new TextEncoder().encode(text)

/** The text of bytes; null where they are no UTF-8. */
export function decodeUtf8(bytes: Uint8Array): string | null {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes)
  } catch {
    return null
  }
}
