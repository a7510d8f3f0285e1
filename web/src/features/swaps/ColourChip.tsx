interface Props {
  /** Of the drink as it is now, "#rrggbb". */
  before: string;
  /** Of the drink with the swap. */
  after: string;
}

/** The drink's foreseen colour in two halves: now on the left, with the swap on the right. A preview. */
export function ColourChip({ before, after }: Props) {
  return (
    <svg width={30} height={30} viewBox="0 0 30 30" aria-hidden className="shrink-0">
      <path d="M15 1A14 14 0 0 0 15 29Z" fill={before} />
      <path d="M15 1A14 14 0 0 1 15 29Z" fill={after} />
      <circle cx={15} cy={15} r={14} className="fill-none stroke-quiet" />
    </svg>
  );
}
