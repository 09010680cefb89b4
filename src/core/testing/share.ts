/**
 * How much of a large law one run holds: all of it in `npm run test:all`; a third in `npm test`, another third each
 * time, so that many runs have seen all of it.
 */
const ALL = process.env.EVEN_CRUMB_TEST_ALL !== undefined;
const FROM = Math.floor(3 * Math.random());

/** So many random cases. */
export const cases = (all: number): number => (ALL ? all : Math.ceil(all / 3));
/** These of a table. */
export const thirdOf = <T>(all: readonly T[]): readonly T[] => (ALL ? all : all.filter((_, n) => n % 3 === FROM));
