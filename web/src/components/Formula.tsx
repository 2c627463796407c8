import { Fragment } from "react";
import { formulaParts } from "@/lib/formula";

/** A formula or symbol with its indices lowered and its exponents raised. */
export function Formula({ text }: { text: string }) {
  return formulaParts(text).map((part, i) => {
    const key = `${i}${part.text}`;
    if (part.as === "sub") return <sub key={key}>{part.text}</sub>;
    if (part.as === "sup") return <sup key={key}>{part.text}</sup>;
    return <Fragment key={key}>{part.text}</Fragment>;
  });
}
