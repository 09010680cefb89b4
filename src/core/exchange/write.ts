/**
 * A formula as others read it: a text card, Markdown, JSON-LD of schema.org, a table of lines. Each line stands as the
 * cook wrote it where its words alone mean what it means here; else in grams under its pantry name. Read back, the same
 * lines come of it, in the same amounts.
 */

import type { Recipe, WithContext } from 'schema-dts';
import { analyseFormula } from '../analyse-formula';
import { readLine } from '../card/line';
import { servingClaim, yieldClaim } from '../card/method';
import type { Vessel } from '../card/parts';
import { rewriteAmount, writtenGrams } from '../card/rewrite';
import { nutritionOf } from '../facts/account';
import { atEnd, type EndId, type Formula, type FormulaLine, kindIdOf, kitchenOf, schoolIdOf } from '../formula/formula';
import { kindById, RAILS, schoolOf, usualPortionMl } from '../formula/kinds';
import type { Kitchen } from '../formula/kitchen-settings';
import { countedLines, formulaLines } from '../formula/lines';
import { kitchenName } from '../pantry/ingredient';
import { csvOf } from './csv';
import { OWN_PROPERTY } from './json-ld';
import { oneRow } from './open-recipe';

/** What a formula's files are made from. */
export interface Written {
  readonly formula: Formula;
  readonly house: Kitchen;
  /** Which end of a forked formula. */
  readonly end: EndId | null;
  /** Which version; null: none is kept yet. */
  readonly version: number | null;
  /** The steps, where the card's own notes hold none. */
  readonly steps: readonly string[];
}

/** A formula so many times as large: each line in its own unit where such a fraction exists in a kitchen. */
export function timesFormula(f: Formula, house: Kitchen, factor: number): Formula {
  if (factor === 1) return f;
  const { conventions } = kitchenOf(f, house);
  const lines = new Map(formulaLines(f, house).map((l) => [l.key, l]));
  // what the card says it makes is of the card as written
  const once = (row: string): string =>
    yieldClaim(row) !== null || servingClaim(row) !== null
      ? `Before it was made ${Math.round(factor * 1000) / 1000} times as large: “${row.trim()}”`
      : row;
  return {
    ...f,
    cardNotes: f.cardNotes.split('\n').map(once).join('\n'),
    entries: f.entries.map((e) => {
      const l = lines.get(e.key);
      return l?.grams
        ? {
            ...e,
            text: rewriteAmount(l, l.grams * factor, conventions, e),
            ...(e.drainedG && { drainedG: e.drainedG * factor }),
            ...(e.mostG && { mostG: e.mostG * factor }),
          }
        : e;
    }),
  };
}

const HEADINGS: Readonly<Record<Vessel, string>> = {
  dry: 'Dry',
  wet: 'Wet',
  'fold-in': 'Fold in last',
  pan: 'For the pan',
  topping: 'To serve',
};

export interface Row {
  /** The heading it stands under; null: none. */
  readonly heading: string | null;
  readonly text: string;
  readonly line: FormulaLine;
}

const near = (a: number | null, b: number | null): boolean =>
  a === null || b === null ? a === b : Math.abs(a - b) <= Math.max(0.006, 0.002 * Math.abs(b));

/** Each line, in words that mean it wherever they are read, under the heading that puts it where it goes. */
export function rowsOf({ formula, house, end }: Pick<Written, 'formula' | 'house' | 'end'>): readonly Row[] {
  const { conventions } = kitchenOf(formula, house);
  const rows = countedLines(formula, house, end)
    .filter((l) => l.text.trim() !== '')
    .map((line): Row => {
      const own = oneRow(line.text);
      const means = (text: string): boolean => {
        const alone = readLine(text, conventions);
        return (
          alone.status === 'read' &&
          // "for the pan" in a line's own words is stronger than any heading
          (alone.use === 'batter' || alone.use === line.use) &&
          alone.ingredient?.id === line.ingredient?.id &&
          near(alone.grams, line.grams) &&
          alone.parts.length === line.parts.length
        );
      };
      const plain =
        line.grams !== null && line.ingredient
          ? `${writtenGrams(line.grams, 0.01)} ${kitchenName(line.ingredient).toLowerCase()}`
          : own;
      // without an amount it is its name, where its words say another use than the cook has chosen
      const elsewhere = !['batter', line.use].includes(readLine(own, conventions).use);
      const unmeasured = elsewhere && line.ingredient ? kitchenName(line.ingredient).toLowerCase() : own;
      const text =
        line.status !== 'read'
          ? unmeasured
          : means(own)
            ? own
            : ([`${plain}${line.preparation ? `, ${line.preparation}` : ''}`, plain].find(means) ?? own);
      const alone = readLine(text, conventions);
      const heading = line.group ? line.group.name : alone.vessel === line.vessel ? null : HEADINGS[line.vessel];
      return { heading, text, line };
    });
  const order = [...new Set(rows.map((r) => r.heading))].sort((a, b) => Number(a !== null) - Number(b !== null));
  return order.flatMap((h) => rows.filter((r) => r.heading === h));
}

const partsOf = (rows: readonly Row[]): readonly { readonly heading: string | null; readonly rows: readonly Row[] }[] =>
  [...new Set(rows.map((r) => r.heading))].map((heading) => ({
    heading,
    rows: rows.filter((r) => r.heading === heading),
  }));

const portionOf = (f: Formula, end: EndId | null): number | null => {
  const school = schoolOf(kindById(kindIdOf(f, end)), schoolIdOf(f, end));
  return school.portionMl === null ? null : (atEnd(f, end).portionMl ?? usualPortionMl(school));
};

/** "12 pieces of 60 ml": what the batter gives; else what the card says; null where neither is known. */
function yieldOf(w: Written): string | null {
  const { analysis } = analyseFormula(w.formula, w.house, w.end);
  const ml = portionOf(w.formula, w.end);
  const pieces = ml && analysis.volume ? Math.floor((analysis.volume.volumeMl * 0.97) / ml + 1e-9) : 0;
  if (pieces > 0) return `${pieces} pieces`;
  const claim = yieldClaim(w.formula.cardNotes);
  return claim ? `${claim.pieces} pieces` : null;
}

/** What stands around the lines, and the steps where it holds none. */
export const notesOf = (w: Pick<Written, 'formula'>): readonly string[] =>
  w.formula.cardNotes.split('\n').map(oneRow).filter(Boolean);

const titleOf = ({ formula, end }: Written): string => {
  const of = end === null ? '' : (formula.ends?.find((e) => e.id === end)?.name ?? '');
  return `${formula.name}${of === '' ? '' : `, ${of}`}`;
};

/** Left out for now: told, so that nothing is lost. */
const leftOut = ({ formula }: Written): readonly string[] =>
  formula.entries.flatMap((e) => (e.off && e.text.trim() !== '' ? [oneRow(e.text)] : []));

export function asText(w: Written): string {
  const out = [titleOf(w), ''];
  for (const p of partsOf(rowsOf(w)))
    out.push(...(p.heading === null ? [] : ['', `${p.heading}:`]), ...p.rows.map((r) => r.text));
  const notes = notesOf(w);
  const steps = notes.length > 0 ? notes : w.steps;
  if (steps.length > 0) out.push('', 'Method:', ...steps);
  const off = leftOut(w);
  if (off.length > 0) out.push('', 'Notes:', ...off.map((t) => `Switched off: ${t}`));
  return `${out.join('\n')}\n`;
}

/** Words that Markdown would take for marks. */
const plainMark = (s: string): string =>
  s
    .replace(/[\\`*_{}[\]<>#|~]/g, '\\$&')
    .replace(/^([-+])/, '\\$1')
    .replace(/^(\d{1,9})([.)])/, '$1\\$2');

export function asMarkdown(w: Written): string {
  const yields = yieldOf(w);
  const kind = kindById(kindIdOf(w.formula, w.end));
  const front = [
    `title: ${JSON.stringify(titleOf(w))}`,
    `kind: ${JSON.stringify(kind.name)}`,
    ...(yields ? [`yield: ${JSON.stringify(yields)}`] : []),
    ...(w.version === null ? [] : [`version: ${w.version}`]),
  ];
  const out = ['---', ...front, '---', '', `# ${plainMark(titleOf(w))}`, '', '## Ingredients', ''];
  for (const p of partsOf(rowsOf(w)))
    out.push(
      ...(p.heading === null ? [] : ['', `### ${plainMark(p.heading)}`, '']),
      ...p.rows.map((r) => `- ${plainMark(r.text)}`),
    );
  const notes = notesOf(w);
  const steps = notes.length > 0 ? notes : w.steps;
  if (steps.length > 0) out.push('', '## Method', '', ...steps.map((s) => `${plainMark(s)}\n`));
  const off = leftOut(w);
  if (off.length > 0) out.push('', '## Notes', '', ...off.map((t) => `- Switched off: ${plainMark(t)}`));
  return `${out.join('\n').trimEnd()}\n`;
}

export function asCsv(w: Written): string {
  const { analysis } = analyseFormula(w.formula, w.house, w.end);
  const flour = analysis.tally.flourG;
  const rows = rowsOf(w).map(({ heading, text, line }) => [
    heading ?? '',
    text,
    line.ingredient ? kitchenName(line.ingredient) : '',
    line.grams === null ? '' : String(Math.round(line.grams * 100) / 100),
    line.grams === null || !(flour > 0) || line.use !== 'batter'
      ? ''
      : String(Math.round((line.grams / flour) * 10_000) / 100),
  ]);
  return csvOf(['Group', 'As written', 'Ingredient', 'Grams', 'Percent of flour'], rows);
}

const RATIO_NAMES = { water: 'Water', egg: 'Egg', fat: 'Fat', sugar: 'Sugar', salt: 'Salt', lift: 'Rise' } as const;

/**
 * The rows of recipeIngredient: headings end in a colon; a line as written and in grams, where the two together still
 * mean it.
 */
export function ingredientRows({ formula, house, end }: Pick<Written, 'formula' | 'house' | 'end'>): readonly string[] {
  const { conventions } = kitchenOf(formula, house);
  const both = ({ text, line }: Row): string => {
    if (line.grams === null || /\d\s*(?:g|kg)\b/i.test(text)) return text;
    const said = `${text} (${writtenGrams(line.grams, 0.01)})`;
    const back = readLine(said, conventions);
    return back.status === 'read' &&
      back.findings.length === 0 &&
      back.ingredient?.id === line.ingredient?.id &&
      near(back.grams, line.grams) &&
      back.vessel === readLine(text, conventions).vessel
      ? said
      : text;
  };
  return partsOf(rowsOf({ formula, house, end })).flatMap((p) => [
    ...(p.heading === null ? [] : [`${p.heading}:`]),
    ...p.rows.map(both),
  ]);
}

export function asJsonLd(w: Written): string {
  const { analysis } = analyseFormula(w.formula, w.house, w.end);
  const yields = yieldOf(w);
  const kind = kindById(kindIdOf(w.formula, w.end));
  const nutrition = nutritionOf(countedLines(w.formula, w.house, w.end));
  const pieces = yields === null ? 0 : Number.parseInt(yields, 10);
  const known = nutrition.open.length === 0 && pieces > 0;
  const each = (n: 'kcal' | 'fatG' | 'sugarsG' | 'proteinG', unit: string) =>
    known && !nutrition.gaps[n] ? `${Math.round((nutrition.of[n] / pieces) * 10) / 10} ${unit}` : undefined;
  const notes = notesOf(w);
  const steps = notes.length > 0 ? notes : w.steps;
  const recipe: WithContext<Recipe> = {
    '@context': 'https://schema.org',
    '@type': 'Recipe',
    name: titleOf(w),
    ...(yields && { recipeYield: yields }),
    recipeCategory: kind.name,
    recipeIngredient: [...ingredientRows(w)],
    recipeInstructions: steps.map((text) => ({ '@type': 'HowToStep' as const, text })),
    ...(known && {
      nutrition: {
        '@type': 'NutritionInformation',
        servingSize: '1 piece, of the batter as it is mixed',
        ...(each('kcal', 'kcal') && { calories: each('kcal', 'kcal') }),
        ...(each('fatG', 'g') && { fatContent: each('fatG', 'g') }),
        ...(each('sugarsG', 'g') && { sugarContent: each('sugarsG', 'g') }),
        ...(each('proteinG', 'g') && { proteinContent: each('proteinG', 'g') }),
      },
    }),
    additionalProperty: [
      ...RAILS.flatMap((rail) => {
        const r = analysis.rails.find((x) => x.rail === rail);
        return r
          ? [
              {
                '@type': 'PropertyValue' as const,
                name: RATIO_NAMES[rail],
                value: Math.round(r.tested * 100) / 100,
                unitText: rail === 'lift' ? 'g of gas per 100 g of flour' : 'percent of flour',
              },
            ]
          : [];
      }),
      {
        '@type': 'PropertyValue' as const,
        propertyID: OWN_PROPERTY,
        name: OWN_PROPERTY,
        value: JSON.stringify(w.formula),
      },
    ],
  } as WithContext<Recipe>;
  return `${JSON.stringify(recipe, null, 2)}\n`;
}
