import { memo, useEffect, useRef, useState } from "react";
import type { Section } from "@/api/client";
import { useCatalogue, useSection } from "@/api/queries";
import { Scroll } from "@/components/Scroll";
import { useAddress } from "@/lib/address";
import { RESULTS_COLUMN } from "@/lib/columns";
import { resultsOf } from "@/lib/groups";
import type { Place } from "@/lib/motion";
import { saveSvg } from "@/lib/svg";
import { first } from "@/lib/units";
import { useJobEditor } from "@/lib/useJobEditor";
import { useWidth } from "@/lib/useWidth";
import { Beside } from "./Beside";
import { Drawing } from "./Drawing";
import { GapStrip } from "./GapStrip";
import { LifeChart } from "./LifeChart";
import { Links } from "./Links";
import { Results } from "./Results";
import { StrokeChart } from "./StrokeChart";
import { Tries } from "./Tries";

/** How long sliders rest before the address takes them. */
const REST_MS = 250;

/** Pedal and wear as they stand; the address follows once they rest. */
function usePlace(found: number): [Place, (change: Partial<Place>) => void] {
  const [search, put] = useAddress();
  const [place, setPlace] = useState<Place>(() => ({
    pedal: shareIn(search.get("pedal"), 0),
    wear: shareIn(search.get("worn"), found),
  }));
  const latest = useRef(put);
  latest.current = put;
  useEffect(() => {
    const timer = setTimeout(() => {
      const text = (share: number, rest: number) =>
        Math.abs(share - rest) < 5e-4 ? null : String(Math.round(share * 1000) / 10);
      latest.current({ pedal: text(place.pedal, 0), worn: text(place.wear, found) });
    }, REST_MS);
    return () => clearTimeout(timer);
  }, [place, found]);
  return [place, (change) => setPlace((now) => ({ ...now, ...change }))];
}

function shareIn(percent: string | null, rest: number): number {
  if (percent === null) return rest;
  const value = Number(percent);
  return Number.isFinite(value) ? Math.min(Math.max(value / 100, 0), 1) : 0;
}

/** The wear found on the bench, as a share of what may wear: where the stack stands today. */
function foundShare(section: Section): number {
  const most = section.wear.at(-1) ?? 0;
  return most > 0 ? Math.min(section.found / most, 1) : 0;
}

/** The centre of Choose: the clutch in section, to be stroked and aged. */
export function SectionView() {
  const editor = useJobEditor();
  const section = useSection(editor.entered.id, editor.entered.revision, editor.looked);
  if (section.error && !section.data) return <p className="p-5">▲ {section.error.message}</p>;
  if (!section.data) return <p className="p-5">Drawing …</p>;
  if (section.data.trouble) return <p className="p-5 font-semibold">▲ {section.data.trouble}</p>;
  return <Sheet section={section.data} />;
}

/** Drawn again when the section or the sliders change, not for every letter typed beside it. */
const Sheet = memo(function Sheet({ section }: { section: Section }) {
  const [search, put] = useAddress();
  const [place, move] = usePlace(foundShare(section));
  const frame = useRef<HTMLDivElement>(null);
  const width = useWidth(frame, 838);
  const part = search.get("part");
  const sizes = search.has("sizes");
  const side = width >= 700;
  const half = side ? Math.floor((width - 28) / 2) : width;
  const pick = (name: string) => put({ part: name === part ? null : name });
  const onPedal = (pedal: number) => move({ pedal });
  return (
    <Scroll label="Section" className={`${RESULTS_COLUMN} !py-2`}>
      <h1 className="sr-only">The clutch in section</h1>
      <div
        ref={frame}
        className="relative"
        data-testid="bench"
        data-pedal={place.pedal}
        data-worn={place.wear}
      >
        <div>
          <Drawing
            section={section}
            place={place}
            width={width}
            height={side ? 296 : Math.round(Math.min(Math.max(width * 0.62, 230), 340))}
            part={part}
            sizes={sizes}
            onPart={pick}
            onPedal={onPedal}
          />
        </div>
        <div className="flex flex-wrap items-center justify-between gap-x-4 gap-y-1 border-y border-hair py-1 text-note">
          <p className="flex flex-wrap gap-x-3">
            {section.parts.map(({ name, label }, i) => (
              <button
                key={name}
                type="button"
                aria-pressed={part === name}
                onClick={() => pick(name)}
                className={`min-h-6 ${part === name ? "font-bold text-now underline" : "hover:underline"}`}
              >
                <span className="figure text-soft">{i + 1}</span> {label}
              </button>
            ))}
          </p>
          <p className={`flex gap-4 text-note ${side ? "absolute right-0 top-0" : ""}`}>
            <button
              type="button"
              aria-pressed={sizes}
              className="plain-link min-h-6"
              onClick={() => put({ sizes: sizes ? null : "" })}
            >
              {sizes ? "Sizes off" : "Sizes on"}
            </button>
            <button
              type="button"
              className="plain-link min-h-6"
              onClick={() => saveSvg(frame.current?.querySelector("svg") ?? null, "clutch-section.svg")}
            >
              Save as SVG
            </button>
          </p>
        </div>
        <div className="flex flex-wrap items-start justify-between gap-x-4 pt-2">
          <GapStrip section={section} place={place} width={side ? Math.min(width - 400, 460) : width} />
          {width >= 820 && <Tries compact />}
        </div>
        <div className={`grid gap-x-7 gap-y-2 ${side ? "grid-cols-2" : ""}`}>
          <StrokeChart section={section} place={place} width={half} onPedal={onPedal} />
          <LifeChart section={section} place={place} width={half} onWear={(wear) => move({ wear })} />
        </div>
        {width < 820 && <Tries />}
        <More section={section} part={part} />
        <Beside name="cylinders" />
      </div>
    </Scroll>
  );
});

/** Below the drawing: the part's results, what can give way in Lift, and the sizes that nobody entered. */
function More({ section, part }: { section: Section; part: string | null }) {
  const mine = resultsOf(useCatalogue().data, part);
  const label = section.parts.find((p) => p.name === part)?.label;
  return (
    <div className="mt-5 grid gap-x-8 gap-y-5 wide:grid-cols-2">
      {mine.length > 0 && label ? (
        <Results names={mine} title={label} />
      ) : (
        <Results
          names={[
            "plate_lift_available",
            "lift_needed",
            "lift_needed_least",
            "lift_margin",
            "overtravel_margin",
            "release_load",
            "heaviest_lift",
            "least_pedal_return",
            "return_margin",
          ]}
          title="Lift"
        />
      )}
      <div>
        <h2 className="border-b border-ink pb-1 text-head font-bold">What can give way in Lift</h2>
        <Links question="lift" />
      </div>
      {section.usual.length > 0 && (
        <p className="text-note text-soft wide:col-span-2">
          Drawn with sizes nobody entered, which no answer rests on unless it says so:{" "}
          {section.usual
            .map((s) => `${s.label.toLowerCase()} ${first(s.value).figure} ${first(s.value).unit}`.trim())
            .join(", ")}
          . Dish of the fingers, ribs and hub shapes are not to size.
        </p>
      )}
    </div>
  );
}
