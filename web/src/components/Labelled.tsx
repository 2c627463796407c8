import type { ComponentProps } from "react";

type Props = Omit<ComponentProps<"input">, "onChange" | "className"> & {
  label: string;
  value: string;
  onText: (text: string) => void;
  /** How wide it stands. */
  width?: string;
};

/** A field of a form under its label, large enough for a gloved finger. */
export function Labelled({ label, onText, width = "w-full", ...input }: Props) {
  return (
    <label className={`text-note font-semibold ${width === "w-full" ? "min-w-0 grow" : ""}`}>
      {label}
      <input
        {...input}
        onChange={(event) => onText(event.target.value)}
        className={`mt-0.5 block h-11 ${width} rounded-cut border border-line bg-sheet px-2 font-normal placeholder:text-soft`}
      />
    </label>
  );
}
