/** A colour moved towards black (below 0) or white (above 0) by a share. */
export function shade(colour: string, share: number): string {
  const target = share < 0 ? 0 : 255;
  const channel = (at: number) => {
    const value = parseInt(colour.slice(at, at + 2), 16);
    return Math.round(value + (target - value) * Math.abs(share));
  };
  return `rgb(${channel(1)}, ${channel(3)}, ${channel(5)})`;
}
