import { type ReactNode, useState } from "react";
import { saveDocument } from "@/api/client";

type Props = { address: string; className?: string; children: ReactNode };

/** A link to a document that is made for the asking: it waits for its turn, says so, and is saved once it is there. */
export function SaveLink({ address, className = "button min-h-11", children }: Props) {
  const [making, setMaking] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const save = async () => {
    setMaking(true);
    setTrouble(null);
    try {
      await saveDocument(address);
    } catch (error) {
      setTrouble(error instanceof Error ? error.message : "The document could not be made.");
    } finally {
      setMaking(false);
    }
  };
  return (
    <>
      <a
        className={className}
        href={address}
        download
        aria-busy={making}
        onClick={(event) => {
          event.preventDefault();
          if (!making) void save();
        }}
      >
        {making ? "Being made …" : children}
      </a>
      {trouble && (
        <span role="alert" className="self-center font-semibold">
          ▲ {trouble}
        </span>
      )}
    </>
  );
}
