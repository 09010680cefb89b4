/** The best choice there is, by an integer solver: what going downhill is judged against. */
import loadHighs from 'highs';
import type { Choice } from '../balance/search';

const number = (x: number): string => {
  const s = x.toFixed(12).replace(/\.?0+$/, '');
  return s === '' || s === '-0' ? '0' : s;
};
const term = (c: number, name: string): string => `${c < 0 ? '- ' : '+ '}${number(Math.abs(c))} ${name}`;

/** The choice as a programme in LP format: `z<line>_<take>` is 1 for the take that is chosen, u and o are what a ratio misses. */
function programme(c: Choice): string {
  const z = c.own.flatMap((takes, n) => takes.map((cost, t) => ({ n, t, cost, name: `z${n}_${t}` })));
  const misses = c.aims.flatMap((_, k) => [term(1, `u${k}`), term(1, `o${k}`)]);
  const rows = c.aims.map((aim, k) => {
    const w = c.weighs[k] ?? 0;
    const terms = z.flatMap(({ n, t, name }) => {
      const x = w * (c.brings[n]?.[t]?.[k] ?? 0);
      return x === 0 ? [] : [term(x, name)];
    });
    return ` r${k}: ${[...terms, term(1, `u${k}`), term(-1, `o${k}`)].join('\n  ')} = ${number(w * aim)}`;
  });
  const ones = c.own.map((takes, n) => ` c${n}: ${takes.map((_, t) => `+ z${n}_${t}`).join('\n  ')} = 1`);
  return [
    'Minimize',
    ` cost: ${[...misses, ...z.map((x) => term(x.cost, x.name))].join('\n  ')}`,
    'Subject To',
    ...rows,
    ...ones,
    'Binary',
    ...z.map((x) => ` ${x.name}`),
    'End',
  ].join('\n');
}

/** What the best choice costs. */
export async function leastCost(c: Choice): Promise<number> {
  const highs = await loadHighs();
  const { Status, ObjectiveValue } = highs.solve(programme(c), { mip_rel_gap: 1e-6, random_seed: 1, threads: 1, output_flag: false });
  if (Status !== 'Optimal') throw new Error(`the solver says ${Status}`);
  return ObjectiveValue;
}
