'use client';
import {
  createColumnHelper,
  createSortedRowModel,
  rowSortingFeature,
  sortFn_text,
  tableFeatures,
  useTable,
} from '@tanstack/react-table';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { useMemo, useState } from 'react';
import {
  allergenName,
  CATEGORIES,
  CATEGORY_NAMES,
  type Category,
  type Ingredient,
  kitchenName,
} from '@/core/pantry/ingredient';
import { type Keeping, keeping, pricePerG, type Shelf } from '@/core/pantry/stock';
import { grams, money, PRICED_G, PRICED_NAME, type Units } from '@/core/quantity/say';
import { Button } from '../kit/button';
import { Choice } from '../kit/choice';
import { Link } from '../kit/link';
import { Press } from '../kit/press';
import { Day, useTime } from '../kit/time';

interface Row {
  readonly id: string;
  readonly name: string;
  readonly own: boolean;
  readonly category: Category;
  readonly sort: string;
  readonly onHandG: number | undefined;
  /** For a kilogram, or a pound where the house weighs in ounces. */
  readonly price: number | undefined;
  readonly bestBefore: string | undefined;
  readonly keeps: Keeping | null;
  readonly allergens: string;
  readonly words: string;
}

const features = tableFeatures({
  rowSortingFeature,
  sortedRowModel: createSortedRowModel(),
  sortFns: { text: sortFn_text },
});
const column = createColumnHelper<typeof features, Row>();
const columns = column.columns([
  column.accessor('name', { header: 'Ingredient', sortFn: 'text' }),
  column.accessor('sort', { header: 'Type', sortFn: 'text' }),
  column.accessor('onHandG', { header: 'On hand', sortUndefined: 'last' }),
  column.accessor('price', { header: 'Price', sortUndefined: 'last' }),
  column.accessor('bestBefore', { header: 'Best before', sortUndefined: 'last', sortFn: 'text' }),
  column.accessor('allergens', { header: 'Allergens', sortFn: 'text' }),
]);

const ANY = 'any';
const SHOWS = [
  { value: 'all', label: 'everything' },
  { value: 'own', label: 'our own' },
  { value: 'here', label: 'on hand' },
  { value: 'soon', label: 'to use soon' },
] as const;
type Show = (typeof SHOWS)[number]['value'];
/** Rows drawn at once; the rest follow on asking. */
const STEP = 150;

const NUMERIC = ['onHandG', 'price'];

/** The pantry: every ingredient there is to measure out, found by name, sort and what is in stock. */
export function PantryTable({
  ingredients,
  shelf,
  units,
  today,
}: {
  readonly ingredients: readonly Ingredient[];
  readonly shelf: Shelf;
  readonly units: Units;
  readonly today: string;
}) {
  const [text, setText] = useState('');
  const [category, setCategory] = useState<Category | typeof ANY>(ANY);
  const [show, setShow] = useState<Show>('all');
  const [most, setMost] = useState(STEP);
  const all = useMemo(
    () =>
      ingredients.map((i): Row => {
        const s = shelf[i.id];
        const per = pricePerG(s);
        return {
          id: i.id,
          name: i.name,
          own: i.id.startsWith('own-'),
          category: i.category,
          sort: CATEGORY_NAMES[i.category],
          onHandG: s?.onHandG ?? undefined,
          price: per === null ? undefined : per * PRICED_G[units.weight],
          bestBefore: s?.bestBefore ?? undefined,
          keeps: keeping(s, today),
          allergens: i.allergensUnstated ? 'not stated' : i.allergens.map(allergenName).join(', '),
          words: [i.name, ...i.aliases, CATEGORY_NAMES[i.category]].join(' ').toLowerCase(),
        };
      }),
    [ingredients, shelf, today, units.weight],
  );
  const data = useMemo(() => {
    const words = text.trim().toLowerCase().split(/\s+/);
    return all.filter(
      (r) =>
        (category === ANY || r.category === category) &&
        (show === 'all' ||
          (show === 'own' && r.own) ||
          (show === 'here' && (r.onHandG ?? 0) > 0) ||
          (show === 'soon' && (r.keeps === 'soon' || r.keeps === 'past'))) &&
        words.every((w) => r.words.includes(w)),
    );
  }, [all, text, category, show]);
  const table = useTable({
    features,
    columns,
    data,
    enableSortingRemoval: false,
    initialState: { sorting: [{ id: 'name', desc: false }] },
  });
  const rows = table.getRowModel().rows;
  const categories = CATEGORIES.filter((c) => all.some((r) => r.category === c));
  return (
    <section aria-label="Ingredients">
      <Soon rows={all} />
      <div className="mb-3 flex flex-wrap items-end gap-x-3 gap-y-2">
        <input
          autoComplete="off"
          data-find
          type="search"
          aria-label="Find an ingredient"
          placeholder="Name"
          value={text}
          onChange={(e) => setText(e.target.value)}
          className="hold min-h-10 w-56 px-3 placeholder:text-soft"
        />
        <Choice
          inline
          label="Type"
          value={category}
          onChange={setCategory}
          options={[
            { value: ANY, label: 'every type' },
            ...categories.map((c) => ({ value: c, label: CATEGORY_NAMES[c] })),
          ]}
        />
        <Choice inline label="Show" value={show} onChange={setShow} options={SHOWS} />
        <p role="status" className="ml-auto text-soft">
          {data.length === all.length ? `${all.length} ingredients` : `${data.length} of ${all.length} ingredients`}
        </p>
      </div>
      {rows.length === 0 ? (
        <div className="py-8">
          <p className="mb-3">
            {show === 'own' && !all.some((r) => r.own)
              ? 'There is nothing of your own yet. Enter a flour or a mix from its packet, or bring in a table.'
              : 'Nothing in the pantry fits that.'}
          </p>
          <Button
            onClick={() => {
              setText('');
              setCategory(ANY);
              setShow('all');
            }}
          >
            Show all {all.length}
          </Button>
        </div>
      ) : (
        <div className="overflow-x-auto">
          <table data-cards className="w-full min-[700px]:min-w-[720px] border-collapse text-left">
            <caption className="sr-only">Ingredients: type, what is on hand, price, date and allergens</caption>
            <thead className="border-b-2 border-rim text-sm text-soft">
              {table.getHeaderGroups().map((g) => (
                <tr key={g.id}>
                  {g.headers.map((h) => {
                    const way = h.column.getIsSorted();
                    return (
                      <th
                        key={h.id}
                        aria-sort={way === 'asc' ? 'ascending' : way === 'desc' ? 'descending' : 'none'}
                        className={`py-1 pr-4 ${NUMERIC.includes(h.column.id) ? 'text-right' : ''}`}
                      >
                        <Press
                          onClick={() => h.column.toggleSorting()}
                          className="inline-flex min-h-9 items-center gap-1 rounded-hold font-bold whitespace-nowrap hover:bg-wash"
                        >
                          <table.FlexRender header={h} />
                          {h.column.id === 'price' ? `, ${PRICED_NAME[units.weight]}` : ''}
                          {way === 'asc' ? (
                            <ArrowUp size={14} aria-hidden />
                          ) : way === 'desc' ? (
                            <ArrowDown size={14} aria-hidden />
                          ) : null}
                        </Press>
                      </th>
                    );
                  })}
                </tr>
              ))}
            </thead>
            <tbody>
              {rows.slice(0, most).map(({ id, original: r }) => (
                <tr key={id} className="border-b border-line align-top">
                  <th scope="row" className="py-2 pr-4 font-normal">
                    <Link
                      href={`/pantry/${r.id}`}
                      className="font-semibold text-rim underline [overflow-wrap:anywhere]"
                    >
                      {kitchenName(r)}
                    </Link>
                    {r.own ? (
                      <span className="ml-2 rounded bg-wash px-1.5 text-sm whitespace-nowrap">our own</span>
                    ) : null}
                  </th>
                  <td data-label="Type" className="py-2 pr-4 text-soft">
                    {r.sort}
                  </td>
                  <td data-label="On hand" className="py-2 pr-4 text-right whitespace-nowrap">
                    {r.onHandG === undefined ? '' : grams(r.onHandG, units)}
                  </td>
                  <td data-label="Price" className="py-2 pr-4 text-right whitespace-nowrap">
                    {r.price === undefined ? '' : money(r.price, units)}
                  </td>
                  <td data-label="Best before" className="py-2 pr-4 whitespace-nowrap">
                    {r.bestBefore ? <Day day={r.bestBefore} /> : ''}
                    {r.keeps === 'past' ? (
                      <strong className="ml-2">past it</strong>
                    ) : r.keeps === 'soon' ? (
                      <strong className="ml-2">use soon</strong>
                    ) : null}
                  </td>
                  <td data-label="Allergens" className="py-2 text-soft">
                    {r.allergens}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      {rows.length > most ? (
        <Button className="mt-3" onClick={() => setMost(most + 5 * STEP)}>
          Show {Math.min(5 * STEP, rows.length - most)} more of {rows.length}
        </Button>
      ) : null}
    </section>
  );
}

const MOST_SOON = 6;

/** What is near its date, or past it, soonest first. */
function Soon({ rows }: { readonly rows: readonly Row[] }) {
  const time = useTime();
  const soon = rows
    .filter((r) => r.keeps === 'soon' || r.keeps === 'past')
    .sort((a, b) => ((a.bestBefore ?? '') < (b.bestBefore ?? '') ? -1 : 1));
  if (soon.length === 0) return null;
  return (
    <p className="mb-3">
      <strong>To use soon:</strong>{' '}
      {soon.slice(0, MOST_SOON).map((r, n) => (
        <span key={r.id}>
          {n > 0 ? ', ' : ''}
          <Link href={`/pantry/${r.id}`} className="text-rim underline">
            {kitchenName(r).toLowerCase()}
          </Link>{' '}
          <span className="text-soft">
            {r.keeps === 'past' ? 'past its date' : `by ${time.day(r.bestBefore ?? '')}`}
          </span>
        </span>
      ))}
      {soon.length > MOST_SOON ? ` and ${soon.length - MOST_SOON} more` : ''}.
    </p>
  );
}
