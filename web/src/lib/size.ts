/** A size in the unit a human would say: `127 kB`. */
export function sizeSaid(bytes: number): string {
  let value = bytes;
  for (const unit of ["B", "kB", "MB"]) {
    if (value < 1000) return `${unit === "B" ? value : value.toPrecision(3)} ${unit}`;
    value /= 1000;
  }
  return `${value.toPrecision(3)} GB`;
}

/** How long ago a moment was: `3 hours ago`. */
export function agoSaid(utc: string, now: number): string {
  const minutes = Math.max((now - new Date(utc).getTime()) / 60_000, 0);
  if (minutes < 1) return "just now";
  const words = new Intl.RelativeTimeFormat(undefined, { numeric: "always" });
  if (minutes < 90) return words.format(-Math.round(minutes), "minute");
  if (minutes < 36 * 60) return words.format(-Math.round(minutes / 60), "hour");
  return words.format(-Math.round(minutes / 1440), "day");
}
