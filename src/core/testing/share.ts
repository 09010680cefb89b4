/**
 * How much of a large law one run holds: all of it in `npm run test:all`; a third in `npm test` or less, another part
 * each time, so that many runs have seen all of it.
 */
const ALL = process.env.EVEN_CRUMB_TEST_ALL !== undefined;
const FROM = Math.random();

/** So many random cases. */
export const cases = (all: number): number => (ALL ? all : Math.ceil(all / 3));
/** Every so manieth of a table. */
export const everyNth = <T>(all: readonly T[], nth: number): readonly T[] =>
  ALL ? all : all.filter((_, n) => n % nth === Math.floor(nth * FROM));
/** A third of a table. */
export const thirdOf = <T>(all: readonly T[]): readonly T[] => everyNth(all, 3);
