import { lookOf } from '../kit/button';

/** The sentence that a breakfast begins with, in one line. */
export const BeginLine = ({ say }: { readonly say: string }) => (
  <form action="/begin" method="get" className="mb-5 flex flex-wrap items-end gap-2">
    <div className="flex min-w-0 flex-1 flex-col gap-1 max-sm:basis-full">
      <label htmlFor="begin-say" className="text-sm font-semibold text-soft">
        Who comes, when, and what is special
      </label>
      <input
        id="begin-say"
        name="say"
        defaultValue={say}
        maxLength={300}
        required
        autoComplete="off"
        placeholder="as: 30 people Sunday 9, one without milk"
        className="hold min-h-12 w-full px-3 text-lg placeholder:text-soft"
      />
    </div>
    <button type="submit" className={`${lookOf('plain')} min-h-12`}>
      Read it
    </button>
  </form>
);
