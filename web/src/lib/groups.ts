import type { Catalogue } from "@/api/client";

export type Group = Catalogue["groups"][number];

/** The groups beside a view, or of a part of the drawing; what the arrangement does not ask for is left out by the
 *  server, so a group lists all that may ever stand in it. */
export function groupsOf(
  catalogue: Catalogue | undefined,
  view: string,
  part: string | null,
): readonly Group[] {
  if (!catalogue) return [];
  const names = catalogue.drawn.find((each) => each.part === part)?.groups ?? catalogue.views[view] ?? [];
  return names.flatMap((name) => catalogue.groups.find((group) => group.name === name) ?? []);
}

/** The results that come from a part of the drawing. */
export const resultsOf = (catalogue: Catalogue | undefined, part: string | null): readonly string[] =>
  catalogue?.drawn.find((each) => each.part === part)?.results ?? [];

/** The kinds of parts of a group that a layout has. */
export const slotsOf = (catalogue: Catalogue | undefined, group: Group, layout: string): readonly string[] =>
  group.slots.filter((slot) => catalogue?.slots.find((each) => each.name === slot)?.layouts.includes(layout));
