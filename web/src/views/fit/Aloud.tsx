/** Reads a step aloud, for someone under the car with both hands full; a second touch ends it. */
export function Aloud({ words }: { words: string[] }) {
  if (!("speechSynthesis" in window)) return null;
  const speak = () => {
    const voice = window.speechSynthesis;
    if (voice.speaking) return voice.cancel();
    const said = new SpeechSynthesisUtterance(words.filter(Boolean).join(". "));
    said.lang = "en";
    voice.speak(said);
  };
  return (
    <button type="button" className="plain-link min-h-11 text-note" onClick={speak}>
      Read it aloud
    </button>
  );
}
