import type { Check } from "@/api/client";

/** Every place as a key: what is read, what is left; press one to read it again. */
export function Places({
  check,
  here,
  onPlace,
}: {
  check: Check;
  here: string | null;
  onPlace: (place: string) => void;
}) {
  const read = new Map(check.readings.map((reading) => [reading.place, reading]));
  const spotted = check.places.some((place) => place.spot);
  const rows = spotted ? [...new Set(check.places.map((place) => place.item))] : [null];
  return (
    <details className="mt-3" open={here === null} data-testid="places">
      <summary className="min-h-11 content-center text-note font-semibold">All places</summary>
      {rows.map((item) => (
        <div key={item} className="flex flex-wrap items-center gap-1 py-0.5">
          {item && <span className="w-24 text-note">{item}</span>}
          {check.places
            .filter((place) => item === null || place.item === item)
            .map((place) => {
              const reading = read.get(place.key);
              const name = place.spot || (place.item === "Once" ? check.label : place.item);
              return (
                <button
                  key={place.key}
                  type="button"
                  aria-label={
                    reading
                      ? `${place.key}: ${name} ${reading.skipped ? "skipped" : reading.typed}`
                      : place.key
                  }
                  aria-current={here === place.key}
                  onClick={() => onPlace(place.key)}
                  className={`min-h-11 min-w-11 rounded-cut border px-2 text-left text-note leading-tight ${
                    here === place.key ? "border-2 border-now bg-now-wash font-bold" : "border-line"
                  }`}
                >
                  {reading && place.spot && <span className="sr-only">{place.item}, </span>}
                  {reading && <span className="block text-soft">{name} </span>}
                  {reading?.skipped ? "skipped" : (reading?.typed ?? name)}
                </button>
              );
            })}
        </div>
      ))}
    </details>
  );
}
