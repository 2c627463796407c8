import { Slider } from "radix-ui";

type Props = {
  label: string;
  value: number;
  words: string;
  onValue: (value: number) => void;
  least?: number;
  most?: number;
  step?: number;
  disabled?: boolean;
};

/** A slider: drag it, or use the arrow keys; page keys take ten steps. */
export function Slide({ label, value, words, onValue, least = 0, most = 1, step = 0.01, disabled }: Props) {
  return (
    <Slider.Root
      value={[value]}
      min={least}
      max={most}
      step={step}
      disabled={disabled ?? false}
      onValueChange={([next]) => onValue(next ?? 0)}
      className="relative flex h-11 w-full touch-none select-none items-center"
    >
      <Slider.Track className="relative h-1 grow bg-hair">
        <Slider.Range className="absolute h-full bg-now" />
      </Slider.Track>
      <Slider.Thumb
        aria-label={label}
        aria-valuetext={words}
        className="block h-7 w-4 rounded-cut border-2 border-now bg-sheet data-[disabled]:border-line"
      />
    </Slider.Root>
  );
}
