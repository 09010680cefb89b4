import type { Unreadable as One } from '@/core/records/unreadable';
import { Link } from './link';
import { Notice } from './notice';

const SHOWN = 4;

/** Things that are kept and can't be read: the page works without them, and says which. */
export function UnreadableNotice({ list }: { readonly list: readonly One[] | undefined }) {
  if (!list || list.length === 0) return null;
  return (
    <div className="mx-auto mb-3 max-w-[1400px] print:hidden">
      <Notice weight="look" role="status">
        {list.length === 1
          ? 'One thing that is kept can’t be read, and is left out here'
          : `${list.length} things that are kept can’t be read, and are left out here`}
        :{' '}
        {list
          .slice(0, SHOWN)
          .map((u) => u.what)
          .join('; ')}
        {list.length > SHOWN ? ` and ${list.length - SHOWN} more` : ''}. Nothing of it is lost:{' '}
        <Link href="/house/records" className="font-semibold text-rim underline">
          see Records
        </Link>
        .
      </Notice>
    </div>
  );
}
