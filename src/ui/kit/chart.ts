/** How the numbers along a chart's axes are drawn. */
export const TICK = { fill: 'var(--color-soft)', fontSize: 13 };
