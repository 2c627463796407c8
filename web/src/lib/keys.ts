/** The key map: one key each, while no field is being typed in. It can be switched off. */
export type KeyAction =
  | { go: string }
  | { panel: Record<string, string> }
  | { focus: string }
  | { toggle: string };

export const KEYS: readonly { key: string; says: string; does: KeyAction }[] = [
  { key: "1", says: "Section", does: { go: "choose/section" } },
  { key: "2", says: "Torque", does: { go: "choose/bite" } },
  { key: "3", says: "Start", does: { go: "choose/start" } },
  { key: "4", says: "Flywheel", does: { go: "choose/flywheel" } },
  { key: "5", says: "Find parts", does: { go: "choose/find" } },
  { key: "6", says: "What moves it", does: { go: "choose/moves" } },
  { key: "0", says: "Brief", does: { go: "brief" } },
  { key: "7", says: "Measure", does: { go: "measure/bench" } },
  { key: "8", says: "Decide", does: { go: "measure/decide" } },
  { key: "9", says: "Sheet", does: { go: "sheet" } },
  {
    key: "p",
    says: "Take hold of pedal or lever; arrows stroke it",
    does: { focus: "[data-slide=pedal] [role=slider]" },
  },
  {
    key: "w",
    says: "Take hold of the wear; arrows age it",
    does: { focus: "[data-slide=wear] [role=slider]" },
  },
  { key: "d", says: "Sizes on the drawing, on and off", does: { toggle: "sizes" } },
  { key: "q", says: "Ask it backwards", does: { panel: { ask: "" } } },
  { key: "l", says: "Assumptions", does: { panel: { assumptions: "" } } },
  { key: "?", says: "This key map", does: { panel: { keys: "" } } },
];

export const OTHER_KEYS: readonly { key: string; says: string }[] = [
  { key: "← →", says: "On a slider: a step; page keys take ten" },
  { key: "Ctrl Z", says: "Undo; on the bench, take back the last reading" },
  { key: "Ctrl Y", says: "Redo; on the bench, bring it back" },
  { key: "Esc", says: "Close a panel; in a field, take back what is typed" },
  { key: "Enter", says: "In a field: enter it now" },
  { key: "0 – 9", says: "On the bench, with a reading to take: the reading" },
];

const STORE = "liftbite.keys";

export const keysOn = () => localStorage.getItem(STORE) !== "off";
export const setKeysOn = (on: boolean) => localStorage.setItem(STORE, on ? "on" : "off");

/** What a key press asks for; nothing while something is being typed or held with a modifier. */
export function actionOf(
  event: Pick<KeyboardEvent, "key" | "ctrlKey" | "metaKey" | "altKey" | "target">,
): KeyAction | null {
  if (event.ctrlKey || event.metaKey || event.altKey) return null;
  const target = event.target as HTMLElement | null;
  if (target?.closest?.("input:not([type=checkbox]):not([type=radio]), textarea, select, [contenteditable]"))
    return null;
  return KEYS.find((entry) => entry.key === event.key)?.does ?? null;
}
