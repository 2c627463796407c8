import { type ReactNode, useRef } from "react";

type Props = {
  /** What the button says. */
  children: ReactNode;
  /** What the file is, for who cannot see the button. */
  name: string;
  accept?: string;
  className?: string;
  /** True to open the camera of a tablet or telephone at once. */
  camera?: boolean;
  onFile: (file: File) => void;
};

/** A button that opens the machine's own file dialog; the same file can be chosen twice. */
export function FileButton({
  children,
  name,
  accept = ".csv,text/csv",
  className = "button",
  camera = false,
  onFile,
}: Props) {
  const picker = useRef<HTMLInputElement>(null);
  return (
    <>
      <button type="button" className={className} onClick={() => picker.current?.click()}>
        {children}
      </button>
      <input
        ref={picker}
        type="file"
        accept={accept}
        capture={camera ? "environment" : undefined}
        className="sr-only"
        tabIndex={-1}
        aria-label={name}
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = "";
          if (file) onFile(file);
        }}
      />
    </>
  );
}
