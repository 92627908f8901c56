declare module 'psychrolib' {
  const psychrolib: {
    readonly SI: number;
    SetUnitSystem(system: number): void;
    /** Saturation pressure of water at a temperature in C, Pa. */
    GetSatVapPres(celsius: number): number;
  };
  export default psychrolib;
}
