/** Who has signed for what of a batch; nothing where nobody has. */
export function Hands({
  of,
}: {
  readonly of: {
    readonly weighed: readonly string[];
    readonly tapped: readonly string[];
    readonly judged: string | null;
  } | null;
}) {
  const said = [
    ['Weighed', of?.weighed ?? []],
    ['At the heat', of?.tapped ?? []],
    ['Outcome', of?.judged ? [of.judged] : []],
  ] as const;
  if (said.every(([, by]) => by.length === 0)) return null;
  return (
    <p className="mb-3 text-soft">
      {said
        .filter(([, by]) => by.length > 0)
        .map(([what, by]) => `${what}: ${by.join('; ')}.`)
        .join(' ')}
    </p>
  );
}
