import { lookOf } from '../kit/button';
import { Link } from '../kit/link';
import { unbroken } from '../kit/unbroken';

/** Amounts that the last makings brought to another than is written: a way to make them the formula's. */
export function BroughtNotice({ says, to }: { readonly says: readonly string[]; readonly to: string }) {
  if (says.length === 0) return null;
  return (
    <section
      aria-label="Brought to its flow"
      className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-2 rounded-r-hold border-l-8 border-butter bg-white px-3 py-2 print:hidden"
    >
      <p className="min-w-0 flex-1 basis-72 [overflow-wrap:anywhere]">
        <strong>Made with:</strong> {unbroken(says.join('; '))}.
      </p>
      <Link href={to} className={lookOf('plain')}>
        Make it the formula’s
      </Link>
    </section>
  );
}
