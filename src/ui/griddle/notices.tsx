/** What is told wherever pieces are poured: what lay on the surface before, and that it is hot. */
import { Link } from '../kit/link';
import { Notice } from '../kit/notice';

/** Pieces with allergens that a batch's notice lacks, on a surface that it is poured on. */
export const TouchedNotice = ({
  touched,
}: {
  readonly touched: readonly {
    readonly id: string;
    /** The surface, by its name. */
    readonly where: string;
    readonly batch: string;
    readonly allergens: readonly string[];
    /** The batch whose notice has none; null: the one whose page it is. */
    readonly of: string | null;
  }[];
}) =>
  touched.length === 0 ? null : (
    <Notice weight="stop">
      <ul>
        {touched.map((t) => (
          <li key={t.id}>
            <strong>{t.where}</strong>: {t.batch} lay here, with <strong>{t.allergens.join(', ')}</strong>;{' '}
            {t.of === null ? 'this batch’s notice' : `the notice of ${t.of}`} has none, and no cleaning is noted since.
          </li>
        ))}
      </ul>
      <p className="text-[15px]">
        Clean it and note that under{' '}
        <Link href="/house#care" className="font-semibold text-rim underline">
          House
        </Link>
        , or pour on another. What is clean enough is the house’s rule and the local food code’s to say.
      </p>
    </Notice>
  );

export const HeatCaution = () => (
  <p className="text-sm text-soft">
    Hot metal and hot fat: long sleeves, no hurry, children at arm’s length. Cooked through, held and served as the
    local food code has it; this clock says nothing about that.
  </p>
);
