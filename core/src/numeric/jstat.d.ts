declare module "jstat" {
  interface Distribution {
    readonly cdf: (x: number, ...parameters: number[]) => number;
    readonly inv: (p: number, ...parameters: number[]) => number;
  }
  const jStat: { readonly studentt: Distribution; readonly beta: Distribution };
  export default jStat;
}
