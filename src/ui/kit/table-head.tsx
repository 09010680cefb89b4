/** The heading of a column: words on the left, over figures on the right, or for the ear alone. */
type Column = string | { readonly right: string } | { readonly hidden: string };

/**
 * The head of a table.
 * @param columns in their order; null: that one isn't there
 * @param light within a part of the page: without its rule
 */
export function TableHead({
  columns,
  light = false,
}: {
  readonly columns: readonly (Column | null)[];
  readonly light?: boolean;
}) {
  return (
    <thead className={light ? 'text-sm text-soft' : 'border-b-2 border-rim text-sm text-soft'}>
      <tr className="text-left">
        {columns.map((c) => {
          if (c === null) return null;
          if (typeof c === 'string')
            return (
              <th key={c} scope="col" className="py-1 pr-3 font-semibold">
                {c}
              </th>
            );
          return 'hidden' in c ? (
            <th key={c.hidden} scope="col">
              <span className="sr-only">{c.hidden}</span>
            </th>
          ) : (
            <th
              key={c.right}
              scope="col"
              className={`py-1 text-right font-semibold ${light ? 'pl-3' : 'pr-3 last:pr-0'}`}
            >
              {c.right}
            </th>
          );
        })}
      </tr>
    </thead>
  );
}
