import type { Plan } from "@/api/client";

const VIEWS = ["bleed", "hand-over"];

/** Where a fact is asked, or a line is put right, as an address; empty where it is on this page. */
export function addressOf(plan: Plan, where: string): string {
  const [station = "", what = ""] = where.split(":");
  const job = `/jobs/${plan.job}`;
  if (where === "measure:all") return `${job}/measure/bench`;
  if (station === "measure") return `${job}/measure/bench${what && `?check=${what}&build=planned`}`;
  if (station === "prove")
    return VIEWS.includes(what)
      ? `${job}/prove/${what}`
      : `${job}/prove/start?card=${encodeURIComponent(what)}`;
  if (station === "fit")
    return plan.steps.some(({ key }) => key === what) ? `${job}/fit?step=${encodeURIComponent(what)}` : "";
  return `${job}/${station}`;
}
