import { type FittedLabels, type LabelSize, labelFitSaid } from '@/core/premix/label';
import { Notice } from '../kit/notice';

/** What of a lot's label does not fit at the smallest letters that were set, and the labels that have it. */
export function LabelFit({
  lotId,
  size,
  fit,
}: {
  readonly lotId: string;
  readonly size: LabelSize;
  readonly fit: FittedLabels;
}) {
  const said = labelFitSaid(fit);
  if (!said) return null;
  return (
    <Notice weight="look">
      {size === 'front' ? 'On the front label: ' : ''}
      {said}{' '}
      {fit.labels.slice(1).map((blocks, n) => (
        <a
          key={blocks.map((b) => b.called).join()}
          href={`/premix/lots/${lotId}/labels?size=${size}&part=${n + 2}`}
          target="_blank"
          rel="noreferrer"
          className="mr-3 inline-flex min-h-9 items-center font-semibold text-rim underline"
        >
          Label {n + 2}
          <span className="sr-only"> (PDF, opens in a new tab)</span>
        </a>
      ))}
    </Notice>
  );
}
