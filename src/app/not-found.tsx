import { Frame } from '@/ui/frame/frame';
import { lookOf } from '@/ui/kit/button';
import { Link } from '@/ui/kit/link';

export default function NotFound() {
  return (
    <Frame here="today">
      <section className="mx-auto mt-16 max-w-xl">
        <h1 className="text-3xl">There is nothing here</h1>
        <p className="mt-3">That formula, version or batch is not in this kitchen.</p>
        <Link href="/" className={`${lookOf('now', 'work')} mt-5`}>
          To Today
        </Link>
      </section>
    </Frame>
  );
}
