import { useRef, useState } from "react";
import { SaveLink } from "@/components/SaveLink";
import { Scroll } from "@/components/Scroll";
import { useNight } from "@/lib/theme";
import { useJobEditor } from "@/lib/useJobEditor";
import { Paper } from "./Paper";

/** The sheet to hand over: one document, here as it prints. */
export function SheetView() {
  const { entered: job } = useJobEditor();
  const night = useNight();
  const [appendix, setAppendix] = useState(false);
  const paper = useRef<HTMLIFrameElement>(null);
  const asked = new URLSearchParams(appendix ? { appendix: "true" } : {});
  const address = (form: "html" | "pdf", more: Record<string, string> = {}) =>
    `/api/jobs/${job.id}/sheet.${form}?${new URLSearchParams({ ...Object.fromEntries(asked), ...more })}`;
  return (
    <Scroll label="Sheet" className="h-full overflow-y-auto px-3 py-4 tablet:px-6 tablet:py-6">
      <h1 className="sr-only">The sheet</h1>
      <div className="mx-auto flex max-w-[54rem] flex-wrap items-center gap-3 pb-4">
        <button type="button" className="button" onClick={() => paper.current?.contentWindow?.print()}>
          Print the sheet
        </button>
        <SaveLink className="button" address={address("pdf")}>
          Sheet (PDF)
        </SaveLink>
        <a className="button" href={`/api/jobs/${job.id}/file`} download>
          Job file (.liftbite.json)
        </a>
        {job.chart && (
          <a className="button" href={`/api/jobs/${job.id}/curve.csv?stage=now`} download>
            Curve (CSV)
          </a>
        )}
        <label className="flex min-h-9 items-center gap-2">
          <input
            type="checkbox"
            className="size-5"
            checked={appendix}
            onChange={(event) => setAppendix(event.target.checked)}
          />
          With figures and workings
        </label>
      </div>
      <div className="framed mx-auto max-w-[54rem]">
        <Paper
          ref={paper}
          title="Sheet"
          // a change of the job brings another sheet
          address={address("html", { night: String(night), of: String(job.change) })}
        />
      </div>
    </Scroll>
  );
}
