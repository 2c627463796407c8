/** Largest file taken; the server refuses larger ones as well. */
export const MOST_BYTES = 3 * 1024 * 1024;

/** A file's bytes in base64, in pieces small enough for any browser. */
export async function base64Of(file: Blob): Promise<string> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  const piece = 0x8000;
  let binary = "";
  for (let start = 0; start < bytes.length; start += piece) {
    binary += String.fromCharCode(...bytes.subarray(start, start + piece));
  }
  return btoa(binary);
}
