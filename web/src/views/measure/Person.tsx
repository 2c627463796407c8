import { useId, useState } from "react";
import { knownAs, person, setPerson } from "@/lib/person";

/** Who reads: the name stands under every reading, entry and word of this screen. No password; it is a name. */
export function Person({ people }: { people: readonly string[] }) {
  const [name, setName] = useState(person);
  const list = useId();
  const settle = () => {
    const known = knownAs(name, people);
    setName(known);
    setPerson(known);
  };
  return (
    <label className="ml-3 flex min-h-11 items-center gap-2 whitespace-nowrap text-note">
      By
      <input
        aria-label="Who reads and says"
        value={name}
        list={list}
        placeholder="your name"
        maxLength={60}
        autoComplete="off"
        onChange={(event) => setName(event.target.value)}
        onBlur={settle}
        className="h-9 w-28 rounded-cut border border-line bg-sheet px-2 font-semibold placeholder:font-normal placeholder:text-soft placeholder:italic"
      />
      <datalist id={list}>
        {people.map((each) => (
          <option key={each} value={each} />
        ))}
      </datalist>
    </label>
  );
}
