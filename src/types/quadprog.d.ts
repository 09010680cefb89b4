/** The part of quadprog that is used. Arrays count from 1, as in the Fortran it comes from. */
declare module 'quadprog' {
  /** Minimises (1/2) b'Db - d'b with A'b >= b0, the first `meq` rows as equalities. */
  export function solveQP(
    Dmat: number[][],
    dvec: number[],
    Amat: number[][],
    bvec: number[],
    meq?: number,
    factorized?: [number, number],
  ): { readonly solution: number[]; readonly value: [number, number]; readonly message: string };
}
