import { insertChunk } from './density';

/**
 * Writes lines of text into a PNG, right after IHDR.
 * @param keyword what the text is, 1 to 79 Latin letters; `Copyright` is one of the registered ones
 * @source W3C PNG (Third Edition), 11.3.3.4 "iTXt" (UTF-8, not compressed)
 */
export function withText(png: Uint8Array, keyword: string, text: string): Uint8Array {
  const encoder = new TextEncoder();
  const [name, words] = [encoder.encode(keyword), encoder.encode(text)];
  // Keyword, a zero, no compression (two zeros), no language, no translated keyword (a zero each), the text.
  const data = new Uint8Array(name.length + 5 + words.length);
  data.set(name);
  data.set(words, name.length + 5);
  return insertChunk(png, 'iTXt', data);
}
