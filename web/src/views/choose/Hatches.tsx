/** Section hatching by material, as on a drawing: told apart by slope and spacing, not by colour. */
export function Hatches({ id }: { id: string }) {
  return (
    <defs>
      <Lines id={`${id}-iron`} turn={45} gap={6} />
      <Lines id={`${id}-steel`} turn={45} gap={9} double />
      <Lines id={`${id}-aluminium`} turn={135} gap={7} />
      <Lines id={`${id}-bearing`} turn={90} gap={4} />
      <Lines id={`${id}-rubber`} turn={0} gap={3} />
      <pattern id={`${id}-facing`} width="5" height="5" patternUnits="userSpaceOnUse">
        <path d="M0 0L5 5M5 0L0 5" stroke="var(--ink)" strokeWidth="0.9" />
      </pattern>
      <pattern id={`${id}-fluid`} width="8" height="5" patternUnits="userSpaceOnUse">
        <path d="M0 2.500H5" stroke="var(--ink)" strokeWidth="1" />
      </pattern>
    </defs>
  );
}

type LinesProps = { id: string; turn: number; gap: number; double?: boolean };

const Lines = ({ id, turn, gap, double = false }: LinesProps) => (
  <pattern
    id={id}
    width={gap}
    height={gap}
    patternUnits="userSpaceOnUse"
    patternTransform={`rotate(${turn})`}
  >
    <path d={`M0 0V${gap}${double ? `M2.6 0V${gap}` : ""}`} stroke="var(--ink)" strokeWidth="0.8" />
  </pattern>
);

const SOLID = new Set(["sheet", "spring"]);

/** How a material is filled. */
export const fillOf = (id: string, material: string) =>
  SOLID.has(material) ? "var(--ink)" : `url(#${id}-${material})`;
