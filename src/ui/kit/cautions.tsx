/** The usual cautions of a page's work, at its foot. */
export const Cautions = ({ list }: { readonly list: readonly { readonly id: string; readonly says: string }[] }) =>
  list.length === 0 ? null : (
    <ul
      aria-label="Cautions"
      className="mx-auto mt-6 grid max-w-5xl gap-1 border-t border-line pt-3 text-[15px] text-soft print:hidden"
    >
      {list.map((c) => (
        <li key={c.id} data-caution={c.id}>
          {c.says}
        </li>
      ))}
    </ul>
  );
