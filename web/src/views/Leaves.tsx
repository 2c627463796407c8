import { useSearchParams } from "react-router";
import { Ask } from "./Ask";
import { Assumptions } from "./Assumptions";
import { WorkingLeaf } from "./WorkingLeaf";

/** The leaves that can lie over a job, opened by the address so that every state can be linked to. */
export function Leaves() {
  const [search, setSearch] = useSearchParams();
  const close = () => setSearch({}, { replace: true });
  const working = search.get("working");
  if (working) return <WorkingLeaf quantity={working} onClose={close} />;
  if (search.has("ask")) return <Ask onClose={close} />;
  if (search.has("assumptions")) return <Assumptions onClose={close} />;
  return null;
}
