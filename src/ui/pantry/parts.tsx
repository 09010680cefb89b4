import { lookOf } from '../kit/button';
import { Link } from '../kit/link';

const PARTS = [
  ['/pantry', 'Ingredients', 'ingredients'],
  ['/pantry/measures', 'My measures', 'measures'],
  ['/pantry/import', 'Import and export', 'import'],
] as const;

/** The parts of the pantry. */
export function PantryParts({ here }: { readonly here: (typeof PARTS)[number][2] | null }) {
  return (
    <nav aria-label="Parts of the pantry" className="mb-4 flex flex-wrap gap-1 border-b border-line pb-2">
      {PARTS.map(([to, name, id]) => (
        <Link
          key={to}
          href={to}
          aria-current={here === id ? 'page' : undefined}
          className={`${lookOf('bare')} ${here === id ? '!bg-rim !text-white' : ''}`}
        >
          {name}
        </Link>
      ))}
    </nav>
  );
}
