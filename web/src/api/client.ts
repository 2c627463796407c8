import createClient, { type Client } from "openapi-fetch";
import createQueries from "openapi-react-query";
import { person } from "@/lib/person";
import { requestName } from "@/lib/request";
import { heard, pageState, STATE, tag } from "@/lib/state";
import type { Kept } from "@/lib/waiting";
import type { components, paths } from "./schema.d";

type Schemas = components["schemas"];
export type Job = Schemas["JobOut"];
export type JobLine = Schemas["JobLineOut"];
export type JobsPage = Schemas["JobListOut"];
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
export type RecordPage = Schemas["RecordOut"];
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
/** What is said of a job, a shape a kind; who says it and the request's name are put in when it is sent. */
type Statement<Sent> = Sent extends unknown ? Omit<Sent, "who" | "request"> : never;
export type PlanStatement = Statement<Schemas["SayOfPlanIn"]>;
export type ProofStatement = Statement<Schemas["SayOfProofIn"]>;
export type BenchStatement = Statement<Schemas["SayIn"]>;
/** The words of one kind. */
export type WordsOf<Kind extends (PlanStatement | ProofStatement | BenchStatement)["kind"]> = Extract<
  PlanStatement | ProofStatement | BenchStatement,
  { kind: Kind }
>["said"];
/** An option of a field of one kind. */
export type OptionOf<
  Kind extends (PlanStatement | ProofStatement | BenchStatement)["kind"],
  Field extends keyof WordsOf<Kind>,
> = NonNullable<WordsOf<Kind>[Field]>;
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
  /** What kind of problem it is. */
  readonly type: string;

  constructor(status: number, detail: string, faults: Record<string, string> = {}, problem: Problem = {}) {
    super(detail);
    this.status = status;
    this.faults = faults;
    this.newest = problem.newest ?? null;
    this.stands = problem.stands ?? {};
    this.type = problem.type ?? "";
  }
}

const UNREACHABLE =
  "Lift Bite does not answer. What you typed stays here; it goes on when the program is back.";

type Problem = {
  type?: string;
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

/** The data of a response; what was refused, the client throws. */
export async function taken<T>(call: Promise<{ data?: T; response: Response }>): Promise<NonNullable<T>> {
  const { data, response } = await call;
  if (data === undefined || data === null) throw refusal(response.status, null);
  return data;
}

/** What every request of this page says of itself. */
function own(reads: boolean): Record<string, string> {
  const name = reads ? "" : person();
  const state = pageState();
  return { ...(state && { [STATE]: state }), ...(name && { Person: encodeURIComponent(name) }) };
}

/** How long work that waits for its turn is asked for again [ms]. */
const PATIENCE = 10 * 60_000;

/**
 * Asks, and asks again where long work is under way: what waits holds nothing of the server but its place, by the name
 * it goes by.
 */
export async function asked(request: Request): Promise<Response> {
  const until = Date.now() + PATIENCE;
  const turn = requestName();
  for (;;) {
    const again = request.clone();
    again.headers.set("Turn", turn);
    const response = await fetch(again);
    heard(response);
    const waits = response.status === 503 && response.headers.has("Waits");
    if (!waits || Date.now() > until) return response;
    const pause = Number(response.headers.get("Retry-After") ?? 1) * 1000;
    await new Promise((done) => setTimeout(done, pause));
    request.signal.throwIfAborted();
  }
}

export const client = createClient<paths>({ baseUrl: "/", fetch: asked });
// whoever works at this screen stands under what is written; and it is written for the state this page shows
client.use({
  onRequest: ({ request }) => {
    for (const [name, value] of Object.entries(own(request.method === "GET")))
      request.headers.set(name, value);
    return request;
  },
  // a refusal is thrown as one, whoever asked
  onResponse: async ({ response }) => {
    if (!response.ok) throw refusal(response.status, await response.json().catch(() => null));
  },
  onError: ({ error }) => (error instanceof DOMException ? error : new Refusal(0, UNREACHABLE)),
});

/** The interface's document with what the client throws in the place of what the server sends with it. */
type Refused<Paths> = {
  [Path in keyof Paths]: {
    [Method in keyof Paths[Path]]: Paths[Path][Method] extends { responses: infer Responses }
      ? Omit<Paths[Path][Method], "responses"> & {
          responses: {
            [Status in keyof Responses]: Status extends 200 | 201
              ? Responses[Status]
              : { content: { "application/problem+json": Refusal } };
          };
        }
      : Paths[Path][Method];
  };
};

/** Queries by path and shape, from the interface's own document; they stand in the cache as `[method, path, what]`. */
export const queries = createQueries(client as unknown as Client<Refused<paths>>);

/** Of which job. */
export const of = (id: number) => ({ params: { path: { job_id: id } } });

/** The header that says which revision a change was made on. */
export const seen = (revision: number) => ({ "If-Match": tag(revision) });

/** Whether an error is a server that does not answer, rather than what one answered. */
export const unanswered = (error: unknown) => error instanceof Refusal && error.status === 0;

/** Whether an error is a server that cannot take it now: none answers, it is busy, or its disk is full. */
export const notNow = (error: unknown) =>
  error instanceof Refusal && (error.status === 0 || error.status === 503 || error.status === 507);

/** Whether an error is a backup that was brought back meanwhile. */
export const ofAnotherState = (error: unknown) =>
  error instanceof Refusal && error.type === "urn:liftbite:another-state";

async function sentTo(address: string, init: RequestInit): Promise<Response> {
  const response = await asked(new Request(new URL(address, location.href), init)).catch((error: unknown) => {
    if (error instanceof DOMException) throw error;
    throw new Refusal(0, UNREACHABLE);
  });
  if (!response.ok) throw refusal(response.status, await response.json().catch(() => null));
  return response;
}

/** Posts what was kept, for the state it was kept for. */
export async function postKept({ address, body, state, tag: of }: Kept, file?: Blob): Promise<void> {
  const headers = {
    ...own(false),
    "Content-Type": file ? "application/octet-stream" : "application/json",
    ...(state && { [STATE]: state }),
    ...(of && { "If-Match": of }),
  };
  await sentTo(address, { method: "POST", body: file ?? JSON.stringify(body), headers });
}

/** Sends a file as it is, under the name of who works here. */
export async function sendFile(
  address: string,
  file: Blob,
  kind: string,
  method = "POST",
): Promise<Response> {
  return sentTo(address, {
    method,
    body: await file.arrayBuffer(),
    headers: { ...own(false), "Content-Type": kind },
  });
}

/** Fetches a document that is made for the asking, and saves it under the name the server gives it. */
export async function saveDocument(address: string): Promise<void> {
  const response = await sentTo(address, { headers: own(true) });
  const named = /filename="?([^";]+)/.exec(response.headers.get("Content-Disposition") ?? "")?.[1];
  const link = document.createElement("a");
  link.href = URL.createObjectURL(await response.blob());
  link.download = named ?? "document";
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 60_000);
}

/** What becomes of a file whose job is here: it becomes a second one, or the job goes on with it. */
export type Becomes = "again" | "update" | null;

/** Sends a job file as it is. One whose job is here already is that job, unless it is brought again. */
export async function importJob(file: File, becomes: Becomes): Promise<{ job: Job; isNew: boolean }> {
  const query = becomes ? `?${becomes}=true` : "";
  const response = await sendFile(`/api/jobs/file${query}`, file, "application/json");
  return { job: await response.json(), isNew: response.status === 201 };
}
