import { NO_LEAF, useAddress } from "@/lib/address";
import { Ask } from "./Ask";
import { Assumptions } from "./Assumptions";
import { KeysLeaf } from "./KeysLeaf";
import { OfferLeaf } from "./shelf/OfferLeaf";
import { WorkingLeaf } from "./WorkingLeaf";

/** The leaves that can lie over a job, opened by the address so that every state can be linked to. */
export function Leaves() {
  const [search, put] = useAddress();
  const close = () => put(NO_LEAF);
  const working = search.get("working");
  if (working) return <WorkingLeaf quantity={working} onClose={close} />;
  if (search.has("ask")) return <Ask result={search.get("ask") || "bite_margin"} onClose={close} />;
  const slot = search.get("shelf");
  if (slot) return <OfferLeaf slot={slot} onClose={close} />;
  if (search.has("keys")) return <KeysLeaf onClose={close} />;
  if (search.has("assumptions")) return <Assumptions onClose={close} />;
  return null;
}
