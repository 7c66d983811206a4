/** A file as text, and what is to be known of how it was read. */
export interface TextRead {
  text: string;
  notes: string[];
}

/**
 * A file's text, whatever encoding it came in: old spreadsheets write Latin-1, some UTF-16.
 * @param most B it may have
 * @throws Error for a larger one
 */
export async function textOf(file: File, most: number): Promise<TextRead> {
  if (file.size > most)
    throw new Error(`${file.name} is larger than ${Math.round(most / 1e6)} MB: more than is read here.`);
  const bytes = new Uint8Array(await file.arrayBuffer());
  const utf16 =
    bytes[0] === 0xff && bytes[1] === 0xfe
      ? 'utf-16le'
      : bytes[0] === 0xfe && bytes[1] === 0xff
        ? 'utf-16be'
        : null;
  if (utf16) return { text: new TextDecoder(utf16).decode(bytes), notes: ['Read as UTF-16.'] };
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), notes: [] };
  } catch {
    return {
      text: new TextDecoder('windows-1252').decode(bytes),
      notes: ['The file is not UTF-8: read as Latin-1 (Windows-1252). Look at letters with accents.'],
    };
  }
}
