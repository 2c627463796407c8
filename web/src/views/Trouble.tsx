import { Link } from "react-router";
import { TopBar } from "@/components/TopBar";

/** A page that cannot be shown, and the way out. */
export function Trouble({ sentence }: { sentence: string }) {
  return (
    <>
      <TopBar />
      <main className="p-8">
        <h1 className="text-big font-bold">This cannot be opened</h1>
        <p className="mt-3">{sentence}</p>
        <p className="mt-3">
          <Link className="plain-link font-semibold" to="/">
            Back to the jobs
          </Link>
        </p>
      </main>
    </>
  );
}
