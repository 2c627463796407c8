/** A job's page: entries on the left, what they amount to on the right, each scrolling by itself; on a narrow
 *  sheet what they amount to comes first and the entries stand below it in two columns. */
export const TWO_LEAVES =
  "flex h-full min-h-0 flex-col-reverse justify-end overflow-y-auto bench:grid bench:grid-cols-[minmax(20rem,25rem)_1fr] bench:overflow-hidden";
export const PARTS_LEAF =
  "shrink-0 overflow-visible border-ink px-5 py-4 tablet:columns-2 tablet:gap-8 bench:block bench:columns-auto bench:overflow-y-auto bench:border-r";
export const RESULTS_LEAF = "shrink-0 overflow-visible px-5 py-4 bench:overflow-y-auto";
