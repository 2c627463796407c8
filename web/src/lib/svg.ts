/** Saves a drawing as a file of its own: colours written out, so that any program shows it as it stands. */
export function saveSvg(svg: SVGSVGElement | null, name: string): void {
  if (!svg) return;
  const style = getComputedStyle(document.documentElement);
  const text = new XMLSerializer()
    .serializeToString(svg)
    .replace(/var\((--[a-z-]+)\)/g, (_, variable: string) => style.getPropertyValue(variable).trim())
    .replace(/ class="[^"]*"/g, ' font-family="sans-serif" font-size="12"');
  const address = URL.createObjectURL(new Blob([text], { type: "image/svg+xml" }));
  const link = document.createElement("a");
  link.href = address;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(address), 1000);
}
