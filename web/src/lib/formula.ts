export type Part = { text: string; as: "plain" | "sub" | "sup" };

const INDEX = /_([\p{L}\p{N}]+)|\^([\p{L}\p{N}]+)/gu;

/** Splits a formula as written in plain text, `T_cap = N · η^k`, into plain, lowered and raised parts. */
export function formulaParts(text: string): Part[] {
  const parts: Part[] = [];
  let from = 0;
  for (const match of text.matchAll(INDEX)) {
    if (match.index > from) parts.push({ text: text.slice(from, match.index), as: "plain" });
    parts.push(match[1] ? { text: match[1], as: "sub" } : { text: match[2] ?? "", as: "sup" });
    from = match.index + match[0].length;
  }
  if (from < text.length) parts.push({ text: text.slice(from), as: "plain" });
  return parts;
}
