import { useEffect } from "react";
import { useBackUp, useUpkeep } from "@/api/upkeep";
import { Refused } from "@/components/Refused";
import { TopBar } from "@/components/TopBar";
import { agoSaid, sizeSaid } from "@/lib/size";
import { moment } from "@/lib/words";
import { Learned } from "./Learned";
import { Whole } from "./Whole";

/** The copies of the shop's file: how old, how large, and how to bring one back. */
export function BackupsView() {
  const upkeep = useUpkeep();
  const backUp = useBackUp();
  useEffect(() => {
    document.title = "Backups · Lift Bite";
  }, []);
  const trouble = backUp.error?.message ?? upkeep.error?.message ?? upkeep.data?.trouble;
  const kept = upkeep.data?.backups ?? [];
  const now = Date.now();
  const newest = kept.find((copy) => !copy.ahead);
  return (
    <div className="flex min-h-full flex-col">
      <TopBar />
      <main className="mx-auto w-full max-w-[60rem] grow px-5 py-6">
        <div className="flex flex-wrap items-end justify-between gap-3 border-b-2 border-ink pb-2">
          <h1 className="text-big font-bold">Backups</h1>
          <button
            type="button"
            className="button min-h-11"
            disabled={backUp.isPending}
            onClick={() => backUp.mutate()}
          >
            {backUp.isPending ? "Copying …" : "Back up now"}
          </button>
        </div>
        <Refused why={trouble} className="py-3" />
        {upkeep.data?.short && <p className="py-2 font-semibold">▲ {upkeep.data.short}</p>}
        {upkeep.data && (
          <>
            <p className="py-3 text-head" role="status">
              {newest ? (
                <>
                  The last copy is <b>{agoSaid(newest.at, now)}</b>;{" "}
                  {kept.length === 1 ? "one is" : `${kept.length} are`} kept, {total(kept)} in all.
                </>
              ) : (
                "No copy has been taken yet."
              )}
            </p>
            <table className="w-full" data-testid="backups">
              <thead>
                <tr className="border-b border-ink text-left text-note">
                  <th className="py-1 pr-3 font-semibold">Taken</th>
                  <th className="py-1 pr-3 font-semibold">Age</th>
                  <th className="py-1 pr-3 font-semibold">Why</th>
                  <th className="py-1 text-right font-semibold">Size</th>
                </tr>
              </thead>
              <tbody>
                {kept.map((copy) => (
                  <tr key={copy.name} className="border-b border-hair">
                    <td className="py-2 pr-3">
                      {moment(copy.at)}
                      <span className="figure block break-all text-note text-soft">{copy.name}</span>
                    </td>
                    <td className="py-2 pr-3">
                      {copy.ahead ? "dated in the future: a clock ran ahead" : agoSaid(copy.at, now)}
                    </td>
                    <td className="py-2 pr-3">{copy.why}</td>
                    <td className="figure py-2 text-right">{sizeSaid(copy.size)}</td>
                  </tr>
                ))}
              </tbody>
            </table>
            <Whole />
            <h2 className="mt-6 border-b border-ink pb-1 text-head font-bold">Bringing one back</h2>
            <p className="py-2">
              A copy is taken every hour in which something changed. The newest of each of the last 24 hours,
              14 days and 8 weeks stay, as far as the disk has room; copies taken by hand, and what stood
              there before a copy was brought back, stay until you take them away. On this machine, in a
              terminal:
            </p>
            <p className="figure overflow-x-auto border-l-4 border-ink bg-sheet px-3 py-2">
              <code>liftbite restore {newest?.path ?? "FILE"}</code>
            </p>
            <p className="py-2 text-soft">
              What stands there now is kept as a copy first. A disk that fails takes the copies beside the
              shop along: keep one elsewhere with <code>liftbite backup FILE</code>. The shop is{" "}
              <span className="break-all">{upkeep.data.file}</span>, {sizeSaid(upkeep.data.size)}.
            </p>
            <Learned />
            {upkeep.data.open && (
              <p className="mt-2 border-l-4 border-now pl-3 font-semibold">
                This shop is open to the network: whoever reaches this machine can read and change everything.
              </p>
            )}
          </>
        )}
      </main>
    </div>
  );
}

const total = (kept: readonly { size: number }[]) => sizeSaid(kept.reduce((sum, copy) => sum + copy.size, 0));
