import type { Analysis } from '@/core/analyse';
import { MEQ_PER_G_SODA } from '@/core/lift/ledger';
import { kitchenName } from '@/core/pantry/ingredient';
import { grams, meq } from '@/core/quantity/say';

/** The ledger: what brings acid, what brings soda, what is left over. */
export function LedgerView({ analysis }: { readonly analysis: Analysis }) {
  const l = analysis.ledger;
  const soda = l.sodaG * MEQ_PER_G_SODA;
  const acid = Math.max(0, l.acidMeq - l.baseMeq);
  const most = Math.max(soda, acid, 0.001);
  if (l.rows.length === 0) return <p className="text-soft">Nothing here brings acid or soda.</p>;
  return (
    <div>
      <div className="grid grid-cols-[4.5rem_1fr_5.5rem] items-center gap-x-3 gap-y-1">
        <Side name="Acid" share={acid / most} text={meq(acid)} />
        <Side name="Soda" share={soda / most} text={meq(soda)} solid />
      </div>
      <p className="mt-2 font-semibold">{verdict(analysis)}</p>
      <table className="mt-2 w-full text-[15px]">
        <thead>
          <tr className="text-left text-sm text-soft">
            <th className="font-normal">from</th>
            <th className="text-right font-normal">acid</th>
            <th className="text-right font-normal">soda</th>
          </tr>
        </thead>
        <tbody>
          {l.rows
            .filter((r) => Math.abs(r.acidMeq) >= 0.05 || r.sodaG > 0)
            .map((r, n) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: the same ingredient may stand on two lines, in this order
              <tr key={`${r.ingredient.id}-${n}`} className="border-t border-line">
                <td className="py-0.5">
                  {grams(r.grams)} {kitchenName(r.ingredient).toLowerCase()}
                </td>
                <td className="text-right">
                  {r.ownAcid && Math.abs(r.acidMeq) < 0.05 ? 'its own' : r.acidMeq < 0 ? `takes ${meq(-r.acidMeq)}` : meq(r.acidMeq)}
                </td>
                <td className="text-right">{r.sodaG > 0 ? grams(r.sodaG) : ''}</td>
              </tr>
            ))}
        </tbody>
      </table>
      <p className="mt-2 text-sm text-soft">Arithmetic to about pH 7.5. Cultured milks vary by a fifth, honey and brown sugar twofold.</p>
    </div>
  );
}

function verdict(a: Analysis): string {
  const l = a.ledger;
  if (l.unspentSodaG > 0.05) return `${grams(l.unspentSodaG)} of soda is left with no acid.`;
  if (l.sodaG > 0) return `All ${grams(l.sodaG)} of soda is worked; ${meq(l.unspentAcidMeq)} of acid is left for tang.`;
  if (l.unspentAcidMeq > 1) return `No plain soda. The acid could work ${grams(l.sodaAcidCouldWorkG)} of it.`;
  return 'No plain soda, and next to no acid.';
}

function Side({ name, share, text, solid = false }: { readonly name: string; readonly share: number; readonly text: string; readonly solid?: boolean }) {
  return (
    <>
      <span>{name}</span>
      <span className="h-4 rounded-sm bg-wash">
        <span className={`block h-4 rounded-sm border-2 border-rim ${solid ? 'bg-rim' : 'hatch-rim'}`} style={{ width: `${Math.max(1, 100 * share)}%` }} />
      </span>
      <strong className="text-right">{text}</strong>
    </>
  );
}
