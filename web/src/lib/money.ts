/** A plain figure as typed, with comma or point; null for what is none or is below nothing. */
export function figureIn(typed: string): number | null {
  const text = typed.trim().replace(/\s/g, "").replace(",", ".").replace(/%$/, "");
  if (!/^\d+(\.\d+)?$/.test(text)) return null;
  return Number(text);
}
