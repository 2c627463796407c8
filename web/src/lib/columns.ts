/** A job's page: entries on the left, what they amount to on the right, each scrolling by itself; on a narrow
 *  sheet what they amount to comes first, the entries stand below it in two columns, and the page scrolls as one. */
export const TWO_COLUMNS =
  "flex h-full min-h-0 flex-col overflow-y-auto wide:grid wide:grid-cols-[minmax(20rem,25rem)_1fr] wide:overflow-hidden";
export const ENTRIES_COLUMN =
  "shrink-0 overflow-visible border-ink px-5 py-4 tablet:columns-2 tablet:gap-8 wide:block wide:columns-auto wide:overflow-y-auto wide:border-r";
export const RESULTS_COLUMN =
  "order-first shrink-0 overflow-visible px-5 py-4 wide:order-none wide:overflow-y-auto";
