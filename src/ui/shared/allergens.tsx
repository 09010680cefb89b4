import { Link } from '../kit/link';

/**
 * Who has to be told. @param said `allergensSaid`; `notice` where the notice to print is, null where there is none yet
 */
export function AllergensView({ said, notice }: { readonly said: string | null; readonly notice: string | null }) {
  if (said === null) return null;
  return (
    <p className="text-sm text-soft">
      {said} From the pantry’s table: check the packets, and mind what else touches the tools.{' '}
      {notice ? (
        <Link href={notice} className="font-semibold text-rim underline">
          A notice to print
        </Link>
      ) : null}
    </p>
  );
}
