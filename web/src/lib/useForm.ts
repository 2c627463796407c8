import { type ChangeEvent, type FormEvent, useState } from "react";

/** What is sent of a form; nothing where it was taken, else why not. */
export type Sends<Words> = (words: Words) => Promise<string | null>;

/**
 * A form of words: what stands in its fields, what is sent, and what was refused. A refusal leaves every field as it was
 * typed; once it is taken, fields are as at the beginning again, but for those that are `kept` for the next one.
 */
export function useForm<Words extends object>(
  begins: Words,
  send: Sends<Words>,
  kept: readonly (keyof Words)[] = [],
) {
  const [words, setWords] = useState(begins);
  const [trouble, setTrouble] = useState<string | null>(null);
  const put = (change: Partial<Words>) => setWords((now) => ({ ...now, ...change }));
  /** Waits for something that is sent, and shows why it was refused; true where it was taken. */
  const tell = async (sending: Promise<string | null>): Promise<boolean> => {
    const refused = await sending;
    setTrouble(refused);
    return refused === null;
  };
  const submit = async () => {
    if (!(await tell(send(words)))) return;
    setWords((now) => ({ ...begins, ...Object.fromEntries(kept.map((name) => [name, now[name]])) }));
  };
  return {
    words,
    put,
    trouble,
    tell,
    submit,
    onSubmit: (event: FormEvent) => {
      event.preventDefault();
      void submit();
    },
    /** What a plain field of the form needs. */
    field: <Name extends keyof Words>(name: Name) => ({
      value: words[name],
      onChange: (event: ChangeEvent<HTMLInputElement | HTMLSelectElement | HTMLTextAreaElement>) =>
        put({ [name]: event.target.value } as Partial<Words>),
    }),
    /** What a `Labelled` one needs. */
    text: <Name extends keyof Words>(name: Name) => ({
      value: words[name],
      onText: (text: string) => put({ [name]: text } as Partial<Words>),
    }),
  };
}
