export const WORKERS: number;
export function slowness(): Promise<number>;
export const LIMITS: {
  readonly unitTestMs: number;
  readonly browserTestMs: number;
  readonly expectMs: number;
  readonly actionMs: number;
  readonly kitchenMs: number;
  readonly answerMs: number;
  readonly serverStartMs: number;
  readonly databaseStartMs: number;
};
