import { createContext, useContext } from "react";
import { Outlet } from "react-router";
import { type Prove as ProveData, type SayProof, useProve, useSayOfProof } from "@/api/prove";
import { LeftOut } from "@/components/LeftOut";
import { Tabs } from "@/components/Tabs";
import { useJobEditor } from "@/lib/useJobEditor";
import { Person } from "@/views/measure/Person";

const VIEWS = [
  { to: "bleed", label: "Bleed" },
  { to: "start", label: "First start" },
  { to: "road", label: "Road" },
  { to: "fault", label: "Fault" },
  { to: "hand-over", label: "Hand-over" },
];

type Shared = { prove: ProveData; say: SayProof };
const ProveContext = createContext<Shared | null>(null);

/** What the views of Prove share: where the job stands, and a way to say something. */
export function useProof(): Shared {
  const found = useContext(ProveContext);
  if (!found) throw new Error("outside Prove");
  return found;
}

/** Prove: the build held against its own numbers, until it is handed over. */
export function Prove() {
  const { entered: job } = useJobEditor();
  const prove = useProve(job.id, job.change);
  const say = useSayOfProof(job.id);
  if (prove.error && !prove.data) return <p className="p-5">▲ {prove.error.message}</p>;
  if (!prove.data) return <p className="p-5">Looking where it stands …</p>;
  return (
    <ProveContext value={{ prove: prove.data, say }}>
      <div className="flex h-full min-h-0 flex-col">
        <div className="flex flex-wrap items-center border-b border-ink px-4">
          <Tabs label="Prove" views={VIEWS} />
          <Person people={[]} />
        </div>
        <LeftOut sentences={prove.data?.left_out ?? []} />
        <div className="min-h-0 grow">
          <Outlet />
        </div>
      </div>
    </ProveContext>
  );
}
