/**
 * In the place of what is being fetched: it waits there by itself, and nothing that is typed beside it waits with it.
 */
export const Opening = () => (
  <p role="status" className="text-soft">
    Opening …
  </p>
);

/** What is seen can't be used yet, and says so where that takes longer than a blink. */
export const NotYet = () => (
  <span
    aria-hidden
    className="pointer-events-none fixed top-0 left-1/2 z-50 -translate-x-1/2 animate-[late_0.2s_1s_both] rounded-b-hold bg-rim px-4 py-1 text-[15px] font-semibold text-white print:hidden"
    data-opening
  >
    Opening …
  </span>
);
