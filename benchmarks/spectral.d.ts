declare module "spectral.js" {
  export class Color {
    constructor(css: string);
    toString(): string;
  }
  export function mix(...parts: [Color, number][]): Color;
}
