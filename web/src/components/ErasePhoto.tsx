import { type PointerEvent, useState } from "react";
import type { components } from "@/api/schema";
import { person } from "@/lib/person";
import { Labelled } from "./Labelled";

type Box = components["schemas"]["BoxIn"];
type Props = {
  address: string;
  onErase: (boxes: Box[], reason: string, who: string) => void;
  onLeave: () => void;
};

const between = (a: number, b: number) => Math.min(Math.max(a, 0), b);

/** The box between two corners, as shares of a photo; nothing where it is no wider than a slip of the finger. */
export function boxBetween(a: readonly [number, number], b: readonly [number, number]): Box | null {
  const [left, right] = [Math.min(a[0], b[0]), Math.max(a[0], b[0])];
  const [top, bottom] = [Math.min(a[1], b[1]), Math.max(a[1], b[1])];
  return right - left < 0.01 || bottom - top < 0.01 ? null : { left, top, right, bottom };
}

/** Boxes are drawn over what is to be erased, such as a plate or a face; with none of them the whole photo goes. */
export function ErasePhoto({ address, onErase, onLeave }: Props) {
  const [boxes, setBoxes] = useState<readonly Box[]>([]);
  const [from, setFrom] = useState<readonly [number, number] | null>(null);
  const [drawn, setDrawn] = useState<Box | null>(null);
  const [reason, setReason] = useState("");
  const [who, setWho] = useState(person());
  const at = (event: PointerEvent): [number, number] => {
    const { left, top, width, height } = event.currentTarget.getBoundingClientRect();
    return [between((event.clientX - left) / width, 1), between((event.clientY - top) / height, 1)];
  };
  const end = () => {
    if (drawn) setBoxes([...boxes, drawn]);
    setFrom(null);
    setDrawn(null);
  };
  return (
    <form
      className="grid gap-3 pt-2"
      data-testid="erase"
      onSubmit={(event) => {
        event.preventDefault();
        onErase([...boxes], reason, who);
      }}
    >
      <p>Drag a box over the plate or the face. Without a box the whole photo is erased.</p>
      <div
        className="relative touch-none select-none border border-ink"
        data-testid="erase-area"
        onPointerDown={(event) => setFrom(at(event))}
        onPointerMove={(event) => from && setDrawn(boxBetween(from, at(event)))}
        onPointerUp={end}
        onPointerCancel={end}
      >
        <img src={address} alt="" className="w-full" draggable={false} />
        {[...boxes, ...(drawn ? [drawn] : [])].map((box) => (
          <span
            key={`${box.left} ${box.top} ${box.right} ${box.bottom}`}
            className="absolute border-2 border-now bg-ink"
            style={{
              left: `${box.left * 100}%`,
              top: `${box.top * 100}%`,
              width: `${(box.right - box.left) * 100}%`,
              height: `${(box.bottom - box.top) * 100}%`,
            }}
          />
        ))}
      </div>
      <Labelled label="Why it is erased" value={reason} maxLength={400} onText={setReason} />
      <Labelled label="Who erases it" value={who} maxLength={60} onText={setWho} />
      <p className="text-note text-soft">
        It cannot be brought back from here. Copies taken before still hold it; copies to come do not.
      </p>
      <div className="flex flex-wrap gap-3">
        <button type="submit" className="button min-h-11" disabled={!reason.trim() || !who.trim()}>
          {boxes.length > 0 ? "Erase what is covered" : "Erase the whole photo"}
        </button>
        {boxes.length > 0 && (
          <button type="button" className="button min-h-11" onClick={() => setBoxes(boxes.slice(0, -1))}>
            Take the last box away
          </button>
        )}
        <button type="button" className="button ml-auto min-h-11" onClick={onLeave}>
          Leave it
        </button>
      </div>
    </form>
  );
}
