const STORE = "liftbite.sound";

export const soundOn = () => localStorage.getItem(STORE) !== "off";
export const setSoundOn = (on: boolean) => localStorage.setItem(STORE, on ? "on" : "off");

let context: AudioContext | null = null;

/** A short tone: high where a reading was taken, low where it was not. Silence where the browser allows none. */
export function beep(good: boolean): void {
  if (!soundOn()) return;
  try {
    context ??= new AudioContext();
    const [tone, level] = [context.createOscillator(), context.createGain()];
    tone.frequency.value = good ? 1320 : 330;
    level.gain.setValueAtTime(0.12, context.currentTime);
    level.gain.exponentialRampToValueAtTime(0.001, context.currentTime + (good ? 0.12 : 0.35));
    tone.connect(level).connect(context.destination);
    tone.start();
    tone.stop(context.currentTime + 0.4);
  } catch {
    context = null;
  }
}
