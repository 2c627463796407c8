import { useMutation } from "@tanstack/react-query";
import { client, queries, type Shop, taken } from "@/api/client";
import { UNITS } from "@/lib/units";

/** The units the whole shop reads in. Sentences come from the server, so the page is loaded anew. */
export function Units({ onPhone }: { onPhone: boolean }) {
  const shop = queries.useQuery("get", "/api/shop");
  const prefer = useMutation({
    mutationFn: (units: Shop["units"]) =>
      taken(
        client.PUT("/api/shop", { body: { units }, headers: { "If-Match": `"${shop.data?.version ?? 0}"` } }),
      ),
    onSuccess: () => location.reload(),
    onError: () => shop.refetch(),
  });
  if (!shop.data) return null;
  return (
    <label className={`order-3 my-2 items-center ${onPhone ? "flex" : "hidden wide:flex"}`}>
      <span className="sr-only">Units of the shop</span>
      <select
        className="button max-w-36 text-note"
        value={prefer.variables ?? UNITS}
        onChange={(event) => prefer.mutate(event.target.value as Shop["units"])}
      >
        {shop.data.offered.map(({ name, label }) => (
          <option key={name} value={name}>
            {label}
          </option>
        ))}
      </select>
    </label>
  );
}
