/** How exactly a batch is measured. */

export const EXACTNESSES = ['exact', 'gram', 'kitchen', 'eye'] as const;
export type Exactness = (typeof EXACTNESSES)[number];
export const EXACTNESS_WORDS: Readonly<Record<Exactness, string>> = {
  gram: 'grams',
  exact: 'all to 0.1 g',
  kitchen: 'cups and spoons',
  eye: 'by eye',
};

/** Taken with measures, and not weighed. */
export const inMeasures = (e: Exactness): e is 'kitchen' | 'eye' => e === 'kitchen' || e === 'eye';
