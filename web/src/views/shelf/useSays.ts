import { useCatalogue } from "@/api/queries";

/** What a part states, in one line. */
export function useSays() {
  const catalogue = useCatalogue();
  return (values: Record<string, string>) =>
    Object.entries(values)
      .map(([quantity, typed]) => {
        const choice = catalogue.data?.choices.find((c) => c.name === quantity);
        const option = choice?.options.find((o) => o.value === typed)?.label;
        const label =
          choice?.label ?? catalogue.data?.inputs.find((i) => i.name === quantity)?.label ?? quantity;
        return `${label.toLowerCase()} ${option?.toLowerCase() ?? typed}`;
      })
      .join(" · ");
}
