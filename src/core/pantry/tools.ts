/** The measures that may lie in a kitchen's drawer: level cups and spoons, sticks in eighths, whole and half eggs. */
export const TOOLS = [
  'cup 1',
  'cup 3/4',
  'cup 2/3',
  'cup 1/2',
  'cup 1/3',
  'cup 1/4',
  'tbsp 1',
  'tsp 1',
  'tsp 1/2',
  'tsp 1/4',
  'tsp 1/8',
  'stick 1/8',
  'egg 1',
  'egg 1/2',
] as const;
export type ToolId = (typeof TOOLS)[number];

/** What a kitchen has in its drawer until it says otherwise. */
export const FRESH_DRAWER: readonly ToolId[] = TOOLS;

/** What each is called on screen. */
export const TOOL_NAMES: Readonly<Record<ToolId, string>> = {
  'cup 1': '1 cup',
  'cup 3/4': '3/4 cup',
  'cup 2/3': '2/3 cup',
  'cup 1/2': '1/2 cup',
  'cup 1/3': '1/3 cup',
  'cup 1/4': '1/4 cup',
  'tbsp 1': 'tablespoon',
  'tsp 1': 'teaspoon',
  'tsp 1/2': '1/2 tsp',
  'tsp 1/4': '1/4 tsp',
  'tsp 1/8': '1/8 tsp',
  'stick 1/8': 'sticks in eighths',
  'egg 1': 'whole eggs',
  'egg 1/2': 'half eggs',
};
