interface Props<T> {
  legend: string;
  /** Whether it is seen; it is told to who can’t see either way. */
  legendShown?: boolean;
  /** Among other controls of a head: close together, without a legend. */
  inLine?: boolean;
  options: readonly (readonly [T, string])[];
  value: T;
  onChoose: (value: T) => void;
}

/** One out of a few, each a press away. */
export function ChoiceChips<T extends number | string | null>(props: Props<T>) {
  const { legend, inLine = false, legendShown = !inLine, options, value, onChoose } = props;
  const lit = inLine ? 'btn-secondary' : 'btn-primary';
  return (
    <div role="group" aria-label={legend}>
      {legendShown && <p className="mb-1 text-quiet">{legend}</p>}
      <div className={inLine ? 'flex items-center gap-1' : 'flex flex-wrap gap-1.5'}>
        {options.map(([item, words]) => (
          <button
            key={words}
            type="button"
            aria-pressed={item === value}
            className={`btn min-h-11 px-3 text-base font-normal ${item === value ? lit : 'btn-ghost border-base-300'}`}
            onClick={() => onChoose(item)}
          >
            {words}
          </button>
        ))}
      </div>
    </div>
  );
}
