declare module 'subset-font' {
  /** The bytes of a font with these letters and these ranges of its axes only. */
  export default function subsetFont(
    font: Buffer,
    text: string,
    options: { targetFormat: 'woff2'; variationAxes?: Record<string, number | { min: number; max: number }> },
  ): Promise<Buffer>;
}
