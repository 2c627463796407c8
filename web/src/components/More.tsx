/** The end of a list that comes page by page: how much of it is shown, and the next page. */
export function More({
  list,
  shown,
  count,
}: {
  list: { hasNextPage: boolean; isFetchingNextPage: boolean; fetchNextPage: () => unknown };
  shown: number;
  count: number;
}) {
  if (!list.hasNextPage) return null;
  return (
    <p className="flex flex-wrap items-center gap-3 py-3">
      <button
        type="button"
        className="button min-h-11"
        disabled={list.isFetchingNextPage}
        onClick={() => void list.fetchNextPage()}
      >
        Show more
      </button>
      <span className="figure text-note">
        {shown} of {count}
      </span>
    </p>
  );
}
