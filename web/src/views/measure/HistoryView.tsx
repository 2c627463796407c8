import { useRef, useState } from "react";
import { Link, useOutletContext } from "react-router";
import type { Trend } from "@/api/client";
import { useBenchHistory, useBringReadings, type Whose } from "@/api/measure";
import { FileButton } from "@/components/FileButton";
import { Scroll } from "@/components/Scroll";
import { useAddress } from "@/lib/address";
import { useWidth } from "@/lib/useWidth";
import { bothSystems, moment } from "@/lib/words";
import type { Bench } from "./BenchView";

/** What was read before, of this vehicle over all its jobs: trends, every reading, and files in and out. */
export function HistoryView() {
  const { bench } = useOutletContext<Bench>();
  const [search, put] = useAddress();
  const shop = search.has("shop");
  const history = useBenchHistory(bench.job, bench.build, shop);
  const { brought, onFile, onTakeBack, busy } = useBrought(bench.job, bench.build);
  if (!history.data) return <p className="p-8">{history.error?.message ?? "Opening the record …"}</p>;
  const { trends, readings, total } = history.data;
  return (
    <Scroll label="History" className="h-full overflow-y-auto px-5 py-4">
      <div className="mx-auto max-w-[84rem]">
        <div className="flex flex-wrap items-end justify-between gap-3 border-b-2 border-ink pb-2">
          <h1 className="text-head font-bold">{shop ? "The whole shop" : bench.vehicle || "This job"}</h1>
          <p className="flex flex-wrap items-center gap-2">
            <button type="button" className="button min-h-11" onClick={() => put({ shop: shop ? null : "" })}>
              {shop ? `Only ${bench.vehicle || "this job"}` : "The whole shop"}
            </button>
            <FileButton
              name="File of readings"
              className="button min-h-11"
              onFile={(file) => void onFile(file)}
            >
              Bring readings
            </FileButton>
            <a className="button min-h-11" href={`/api/jobs/${bench.job}/readings.csv`} download>
              Save readings as CSV
            </a>
          </p>
        </div>
        <Told brought={brought} busy={busy} onTakeBack={() => void onTakeBack()} />
        {readings.length === 0 && <p className="py-4 text-soft">Nothing was read yet.</p>}
        <div className="grid gap-x-8 gap-y-4 py-3 wide:grid-cols-2">
          {trends
            .filter((trend) => trend.points.length > 1)
            .map((trend) => (
              <TrendChart key={trend.check} trend={trend} joined={!shop} />
            ))}
        </div>
        <Once trends={trends.filter((trend) => trend.points.length === 1)} />
        {readings.length > 0 && (
          <table className="w-full" data-testid="record">
            <caption className="lettering border-b border-ink pb-0.5 text-left">
              {total} readings, newest first{total > readings.length && `; the last ${readings.length}`}
            </caption>
            <tbody>
              {readings.map((line, i) => (
                <tr
                  // biome-ignore lint/suspicious/noArrayIndexKey: two readings may have the same moment
                  key={`${line.at} ${i}`}
                  className={`border-b border-hair align-baseline ${line.withdrawn ? "text-soft line-through" : ""}`}
                >
                  <td className="figure whitespace-nowrap py-1 pr-3 text-note">{moment(line.at)}</td>
                  {shop && (
                    <td className="pr-3">
                      <Link className="plain-link" to={`/jobs/${line.job}/measure/history`}>
                        {line.vehicle || `Job ${line.job}`}
                      </Link>
                    </td>
                  )}
                  <td className="pr-3">{line.label}</td>
                  <td className="pr-3">{line.place === "Once" ? "" : line.place}</td>
                  <td className="figure text-right">
                    {line.skipped ? `skipped: ${line.skipped}` : line.typed}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
      </div>
    </Scroll>
  );
}

/** Checks that were taken once: no trend yet. */
function Once({ trends }: { trends: Trend[] }) {
  if (trends.length === 0) return null;
  return (
    <table className="mb-4 w-full max-w-[52rem]" data-testid="taken-once">
      <caption className="lettering border-b border-ink pb-0.5 text-left">Taken once</caption>
      <tbody>
        {trends.map((trend) => {
          const point = trend.points[0];
          return (
            <tr key={trend.check} className="border-b border-hair align-baseline">
              <th scope="row" className="py-1 pr-3 text-left font-normal">
                {trend.title}
              </th>
              <td className="figure pr-3 font-bold">{point && bothSystems(point.worst)}</td>
              <td className="pr-3 text-note text-soft">
                {trend.limit && `limit ${bothSystems(trend.limit)}`}
              </td>
              <td className="text-right text-note text-soft">
                {point && (point.distance ? bothSystems(point.distance) : moment(point.at))}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

const [HIGH, LEFT, RIGHT, TOP, BOTTOM] = [150, 8, 8, 20, 24];

/** A check over the vehicle's life: the worst reading of each series with its doubt, the line on to the limit. */
function TrendChart({ trend, joined }: { trend: Trend; joined: boolean }) {
  const frame = useRef<HTMLElement>(null);
  const width = Math.max(useWidth(frame, 420), 240);
  const x = (share: number) => LEFT + share * (width - LEFT - RIGHT);
  const y = (share: number) => TOP + (1 - share) * (HIGH - TOP - BOTTOM);
  const [last, first] = [trend.points.at(-1), trend.points[0]];
  return (
    <figure ref={frame} data-testid={`trend-${trend.check}`}>
      <figcaption>
        <b>{trend.title}</b>{" "}
        <span className="text-note text-soft">
          {last && bothSystems(last.worst)}
          {trend.rate && `, ${trend.rate}`}
        </span>
      </figcaption>
      <svg
        width={width}
        height={HIGH}
        role="img"
        aria-label={`${trend.points.length} series, last ${last ? bothSystems(last.worst) : ""}`}
      >
        <path d={`M${LEFT} ${HIGH - BOTTOM}H${width - RIGHT}`} stroke="var(--ink)" />
        {trend.limit && trend.limit_at !== null && (
          <>
            <path
              d={`M${LEFT} ${y(trend.limit_at)}H${width - RIGHT}`}
              stroke="var(--ink)"
              strokeDasharray="6 3"
            />
            <text x={LEFT} y={y(trend.limit_at) - 4} className="text-[12px]" fill="var(--ink)">
              limit {bothSystems(trend.limit)}
            </text>
          </>
        )}
        {trend.line.length === 2 && (
          <path
            d={`M${trend.line.map((point) => `${x(point.x)} ${y(point.y)}`).join("L")}`}
            stroke="var(--soft)"
            strokeDasharray="2 3"
          />
        )}
        {joined && (
          <path
            d={`M${trend.points.map((point) => `${x(point.x)} ${y(point.y)}`).join("L")}`}
            fill="none"
            stroke="var(--now)"
            strokeWidth="2"
          />
        )}
        {trend.points.map((point) => (
          <g key={point.at}>
            <path
              d={`M${x(point.x)} ${y(point.y_low)}V${y(point.y_high)}`}
              stroke="var(--now)"
              strokeWidth="1.5"
            />
            <circle cx={x(point.x)} cy={y(point.y)} r="4" fill="var(--now)" />
          </g>
        ))}
        <g className="font-figure text-[12px]" fill="var(--soft)">
          <text x={LEFT} y={HIGH - 8}>
            {first && (first.distance ? bothSystems(first.distance).split(" · ")[0] : moment(first.at))}
          </text>
          {trend.points.length > 1 && last && (
            <text x={x(last.x)} y={HIGH - 8} textAnchor={last.x > 0.7 ? "end" : "middle"}>
              {last.distance ? bothSystems(last.distance).split(" · ")[0] : moment(last.at)}
            </text>
          )}
        </g>
      </svg>
    </figure>
  );
}

type Brought = { told: readonly string[]; series: readonly number[] };

/** A file of readings brought into a job, what it brought, and all of it taken back. */
function useBrought(job: number, build: Whose) {
  const { bring, takeBack } = useBringReadings(job, build);
  const [brought, setBrought] = useState<Brought>({ told: [], series: [] });
  const tell = (told: string[], series: number[] = []) => setBrought({ told, series });
  const fail = (error: unknown) =>
    tell([`▲ ${error instanceof Error ? error.message : "The file could not be read."}`]);
  const onFile = async (file: File) => {
    try {
      const found = await bring.mutateAsync(await file.text());
      const there = found.already > 0 ? ` ${found.already} were there already.` : "";
      tell([`${found.taken} readings taken in.${there}`, ...found.faults], found.series);
    } catch (error) {
      fail(error);
    }
  };
  const onTakeBack = async () => {
    try {
      await takeBack.mutateAsync([...brought.series]);
      tell(["Taken back; in the record they stay, withdrawn."]);
    } catch (error) {
      fail(error);
    }
  };
  return { brought, onFile, onTakeBack, busy: bring.isPending || takeBack.isPending };
}

function Told({ brought, busy, onTakeBack }: { brought: Brought; busy: boolean; onTakeBack: () => void }) {
  if (brought.told.length === 0) return null;
  return (
    <div role="status" className="flex flex-wrap items-center gap-x-4 border-b border-hair py-1 text-note">
      <p>
        {brought.told.map((line) => (
          <span key={line} className="block">
            {line}
          </span>
        ))}
      </p>
      {brought.series.length > 0 && (
        <button type="button" className="plain-link min-h-11" disabled={busy} onClick={onTakeBack}>
          Take the file's readings back
        </button>
      )}
    </div>
  );
}
