/** A law that tests nothing is no law: counts how often it was really put to the test. */
export interface Counted {
  /** One more case was really tested. */
  readonly one: () => void;
  /** @throws where fewer than so many were */
  readonly atLeast: (n: number) => void;
}

export function counting(): Counted {
  let n = 0;
  return {
    one: () => {
      n++;
    },
    atLeast: (least) => {
      if (n < least)
        throw new Error(`the law was put to the test ${n} times, where ${least} are the least: it holds nothing`);
    },
  };
}
