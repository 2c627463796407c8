import { useState } from "react";
import type { Check } from "@/api/client";

/** The place of a total indicator reading without angles, as the bench keeps it. */
const ALONE = "TIR";

/** The angles of a sweep, in the order they are gone round; others may be typed. */
export function Angles({
  check,
  here,
  onPlace,
}: {
  check: Check;
  here: string | null;
  onPlace: (place: string) => void;
}) {
  const [typed, setTyped] = useState("");
  const read = new Set(check.readings.map((reading) => reading.place));
  return (
    <div className="mt-1 flex flex-wrap gap-1" data-testid="angles">
      {check.places.map((place) => (
        <button
          key={place.key}
          type="button"
          aria-current={here === place.key}
          onClick={() => onPlace(place.key)}
          className={`figure min-h-11 min-w-11 rounded-cut border px-1.5 ${
            here === place.key
              ? "border-2 border-now bg-now-wash font-bold"
              : read.has(place.key)
                ? "border-ink"
                : "border-line text-soft"
          }`}
        >
          {place.key}
        </button>
      ))}
      {!check.places.some((place) => place.key === ALONE) && (
        <button
          type="button"
          aria-current={here === ALONE}
          onClick={() => onPlace(ALONE)}
          title="One total indicator reading, read off without angles"
          className={`figure min-h-11 rounded-cut border px-2 ${
            here === ALONE ? "border-2 border-now bg-now-wash font-bold" : "border-line text-soft"
          }`}
        >
          TIR alone
        </button>
      )}
      <input
        aria-label="Another angle"
        placeholder="other °"
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
        onKeyDown={(event) => {
          const angle = Number.parseFloat(typed.replace(",", "."));
          if (event.key !== "Enter" || !(angle >= 0 && angle < 360)) return;
          onPlace(`${angle}°`);
          setTyped("");
        }}
        className="figure h-11 w-20 rounded-cut border border-line bg-sheet px-2 placeholder:text-soft"
      />
    </div>
  );
}
