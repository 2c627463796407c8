import { useEffect, useRef } from "react";

/** On the bench Ctrl Z takes back the last reading and Ctrl Y brings it back, not the last entry of the job; in a field
 *  that holds text they stay what they are there. */
export function useTakeBack(takeBack: (() => void) | null, bringBack: (() => void) | null) {
  const now = useRef({ takeBack, bringBack });
  now.current = { takeBack, bringBack };
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const key = event.key.toLowerCase();
      if (!(event.ctrlKey || event.metaKey) || (key !== "z" && key !== "y")) return;
      if (event.target instanceof HTMLInputElement && event.target.value !== "") return;
      event.preventDefault();
      event.stopImmediatePropagation();
      const back = key === "y" || event.shiftKey;
      (back ? now.current.bringBack : now.current.takeBack)?.();
    };
    addEventListener("keydown", onKey, { capture: true });
    return () => removeEventListener("keydown", onKey, { capture: true });
  }, []);
}
