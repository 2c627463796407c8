import { NO_PANEL, useAddress } from "@/lib/address";
import { OfferPanel } from "@/views/shelf/OfferPanel";
import { Ask } from "./Ask";
import { Assumptions } from "./Assumptions";
import { KeysPanel } from "./KeysPanel";
import { WorkingPanel } from "./WorkingPanel";

/** The panels that can lie over a job, opened by the address so that every state can be linked to. */
export function Panels() {
  const [search, put] = useAddress();
  const close = () => put(NO_PANEL);
  const working = search.get("working");
  if (working) return <WorkingPanel quantity={working} onClose={close} />;
  if (search.has("ask")) return <Ask result={search.get("ask") || "bite_margin"} onClose={close} />;
  const slot = search.get("shelf");
  if (slot) return <OfferPanel slot={slot} onClose={close} />;
  if (search.has("keys")) return <KeysPanel onClose={close} />;
  if (search.has("assumptions")) return <Assumptions onClose={close} />;
  return null;
}
