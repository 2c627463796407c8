import createClient from "openapi-fetch";
import { person } from "@/lib/person";
import type { Kept } from "@/lib/waiting";
import type { components, paths } from "./schema.d";

type Schemas = components["schemas"];
export type Job = Schemas["JobOut"];
export type JobLine = Schemas["JobLineOut"];
export type Field = Schemas["FieldOut"];
export type Picked = Schemas["PickedOut"];
export type Figure = Schemas["FigureOut"];
export type Band = Schemas["BandOut"];
export type Verdict = Schemas["VerdictOut"];
export type Result = Schemas["ResultOut"];
export type Chart = Schemas["ChartOut"];
export type Curve = Schemas["CurveOut"];
export type Assumption = Schemas["AssumptionOut"];
export type Proposal = Schemas["ProposalOut"];
export type ColumnMapping = Schemas["ColumnMappingIO"];
export type CurveRead = Schemas["CurveReadOut"];
export type EntryIn = Schemas["EntryIn"];
export type Working = Schemas["WorkingOut"];
export type WorkingStep = Schemas["WorkingStepOut"];
export type Sought = Schemas["SoughtOut"];
export type Asked = Schemas["AskedOut"];
export type History = Schemas["HistoryOut"];
export type Catalogue = Schemas["CatalogueOut"];
export type Section = Schemas["SectionOut"];
export type Outline = Schemas["OutlineOut"];
export type Launch = Schemas["LaunchOut"];
export type Flywheel = Schemas["FlywheelOut"];
export type Beside = Schemas["BesideOut"];
export type Against = Schemas["AgainstOut"];
export type Moves = Schemas["MovesOut"];
export type Shelf = Schemas["ShelfOut"];
export type Part = Schemas["PartOut"];
export type PartIn = Schemas["PartIn"];
export type CsvRead = Schemas["CsvOut"];
export type Offers = Schemas["OffersOut"];
export type Find = Schemas["FindOut"];
export type FindIn = Schemas["FindIn"];
export type Candidate = Schemas["CandidateOut"];
export type TakeIn = Schemas["TakeIn"];
export type Compare = Schemas["CompareOut"];
export type Measure = Schemas["MeasureOut"];
export type Check = Schemas["CheckOut"];
export type Taken = Schemas["TakenOut"];
export type Sweep = Schemas["SweepOut"];
export type Instrument = Schemas["InstrumentOut"];
export type ReadingIn = Schemas["ReadingIn"];
export type Calculation = Schemas["CalculationOut"];
export type SeriesIn = Schemas["SeriesIn"];
export type LimitIn = Schemas["LimitIn"];
export type InstrumentIn = Schemas["InstrumentIn"];
export type RenewalIn = Schemas["RenewalIn"];
export type Effects = Schemas["MeasuredEffectsOut"];
export type BenchHistory = Schemas["BenchHistoryOut"];
export type Trend = Schemas["TrendOut"];
export type GaugeEvent = Schemas["EventOut"];
export type Keyed = Schemas["KeyedOut"];
export type Plan = Schemas["PlanOut"];
export type FitStep = Schemas["FitStepOut"];
export type SayOfPlan = Schemas["SayOfPlanIn"];
export type Photo = Schemas["PhotoOut"];
export type Shop = Schemas["ShopOut"];
export type Upkeep = Schemas["UpkeepOut"];
export type InputInfo = Schemas["InputInfoOut"];
export type ChoiceInfo = Schemas["ChoiceInfoOut"];

/** What the server says when it refuses: a sentence, and the fields at fault. */
export class Refusal extends Error {
  readonly status: number;
  readonly faults: Record<string, string>;
  /** Where something else stands by now: its version, and what it says. */
  readonly newest: number | null;
  readonly stands: Record<string, unknown>;

  constructor(status: number, detail: string, faults: Record<string, string> = {}, problem: Problem = {}) {
    super(detail);
    this.status = status;
    this.faults = faults;
    this.newest = problem.newest ?? null;
    this.stands = problem.stands ?? {};
  }
}

const UNREACHABLE =
  "Lift Bite does not answer. What you typed stays here; it goes on when the program is back.";

type Problem = {
  detail?: string;
  errors?: { field: string; message: string }[];
  newest?: number;
  stands?: Record<string, unknown>;
};

function refusal(status: number, said: unknown): Refusal {
  const problem = (said ?? {}) as Problem;
  const { detail, errors } = problem;
  const faults = Object.fromEntries((errors ?? []).map((fault) => [fault.field, fault.message]));
  return new Refusal(status, detail ?? `The request failed (${status}).`, faults, problem);
}

/** The data of a response, or its refusal thrown. */
export async function taken<T>(
  call: Promise<{ data?: T; error?: unknown; response: Response }>,
): Promise<NonNullable<T>> {
  let answer: { data?: T; error?: unknown; response: Response };
  try {
    answer = await call;
  } catch (error) {
    if (error instanceof DOMException) throw error;
    throw new Refusal(0, UNREACHABLE);
  }
  if (answer.data === undefined || answer.data === null) throw refusal(answer.response.status, answer.error);
  return answer.data;
}

export const client = createClient<paths>({ baseUrl: "/" });
// whoever works at this screen stands under what is written
client.use({
  onRequest: ({ request }) => {
    const name = request.method === "GET" ? "" : person();
    if (name) request.headers.set("Person", encodeURIComponent(name));
    return request;
  },
});

/** The header that says which revision a change was made on. */
export const seen = (revision: number) => ({ "If-Match": `"${revision}"` });

/** Whether an error is a server that does not answer, rather than what one answered. */
export const unanswered = (error: unknown) => error instanceof Refusal && error.status === 0;

/** Posts what was kept over a reload. */
export async function postKept({ address, body }: Kept): Promise<void> {
  const name = person();
  const headers = {
    "Content-Type": "application/json",
    ...(name && { Person: encodeURIComponent(name) }),
  };
  const response = await fetch(address, { method: "POST", body: JSON.stringify(body), headers }).catch(() => {
    throw new Refusal(0, UNREACHABLE);
  });
  if (!response.ok) throw refusal(response.status, await response.json().catch(() => null));
}

/** Sends a file as it is, under the name of who works here. */
export async function sendFile(address: string, file: File, kind: string): Promise<Response> {
  const name = person();
  const response = await fetch(address, {
    method: "POST",
    body: await file.arrayBuffer(),
    headers: { "Content-Type": kind, ...(name && { Person: encodeURIComponent(name) }) },
  }).catch(() => {
    throw new Refusal(0, UNREACHABLE);
  });
  if (!response.ok) throw refusal(response.status, await response.json().catch(() => null));
  return response;
}

/** Sends a job file as it is. One whose job is here already is that job, unless it is brought again. */
export async function importJob(file: File, again: boolean): Promise<{ job: Job; isNew: boolean }> {
  const response = await sendFile(`/api/jobs/file${again ? "?again=true" : ""}`, file, "application/json");
  return { job: await response.json(), isNew: response.status === 201 };
}
