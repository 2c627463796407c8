/** Lines named one by one or from to: `31, 40-44`. What is no line is passed over while it is typed. */
export function linesOf(text: string): number[] {
  const found = new Set<number>();
  for (const part of text.split(/[,;\s]+/)) {
    const [from, to] = part.split(/[-–]/).map((end) => Number.parseInt(end, 10));
    if (!from || from < 1) continue;
    const last = to && to >= from ? Math.min(to, from + 199) : from;
    for (let line = from; line <= last && found.size < 200; line++) found.add(line);
  }
  return [...found].sort((a, b) => a - b);
}

/** Lines as one would name them: runs of lines from to. */
export function leftOut(lines: readonly number[]): string {
  const told: string[] = [];
  for (let i = 0; i < lines.length; i++) {
    const from = i;
    while (lines[i + 1] === (lines[i] ?? 0) + 1) i++;
    told.push(from === i ? `${lines[i]}` : `${lines[from]}-${lines[i]}`);
  }
  return told.join(", ");
}
