import { useEffect } from "react";
import { Link, useLocation, useSearchParams } from "react-router";
import type { Catalogue } from "@/api/client";
import { useCatalogue, useNext } from "@/api/queries";
import { BUILD, useAddress } from "@/lib/address";
import { useJobEditor } from "@/lib/useJobEditor";

const FIELD = "field";

/** Where a quantity is entered: the first view that has its group. */
function viewOf(catalogue: Catalogue | undefined, name: string): string {
  const group = catalogue?.groups.find((each) => each.rows.includes(name))?.name ?? "";
  const views = Object.entries(catalogue?.views ?? {}).filter(([, groups]) => groups.includes(group));
  const view = views[0]?.[0] ?? "section";
  return view === "brief" ? "brief" : `choose/${view}`;
}

/** The one figure or reading that would settle most, with its reason; it leads to its field or check. */
export function NextQuestion() {
  const { entered } = useJobEditor();
  const catalogue = useCatalogue();
  const asked = useNext(entered.id, entered.revision, entered.build).data?.ranking[0];
  const bench = useLocation().pathname.includes("/measure");
  useFieldAsked();
  if (!asked) return null;
  const build = entered.build ? `&${BUILD}=${encodeURIComponent(entered.build)}` : "";
  const to = asked.check
    ? `/jobs/${entered.id}/measure/bench?check=${asked.check}`
    : `/jobs/${entered.id}/${viewOf(catalogue.data, asked.name)}?${FIELD}=${asked.name}${build}`;
  return (
    <aside
      aria-label="The next question"
      data-testid="next-question"
      className={`flex shrink-0 items-center gap-2 overflow-hidden border-t border-hair bg-paper px-4 text-note no-print ${bench ? "max-tablet:hidden" : ""}`}
    >
      <span className="shrink-0 text-soft">Next</span>
      <Link className="plain-link inline-flex min-h-6 shrink-0 items-center font-semibold" to={to}>
        {asked.label}
      </Link>
      <span className="min-w-0 truncate" title={asked.why}>
        {asked.why}
      </span>
    </aside>
  );
}

/** The field the address asks for is brought into view and focused, once it is there. */
function useFieldAsked() {
  const [search] = useSearchParams();
  const [, put] = useAddress();
  const name = search.get(FIELD);
  useEffect(() => {
    if (!name) return;
    let tries = 40;
    const timer = setInterval(() => {
      const field = document.querySelector<HTMLElement>(`[name="${CSS.escape(name)}"]`);
      tries -= 1;
      if (!field && tries > 0) return;
      clearInterval(timer);
      field?.scrollIntoView({ block: "center" });
      field?.focus({ preventScroll: true });
      put({ [FIELD]: null });
    }, 50);
    return () => clearInterval(timer);
  }, [name, put]);
}
