interface Props<Value> {
  /** What each is, its name, and what it is good for. */
  choices: [Value, string, string][];
  onChoose: (value: Value) => void;
}

/** Ways to go on, each with what it is good for. */
export function ExportChoices<Value extends string>({ choices, onChoose }: Props<Value>) {
  return (
    <ul className="flex flex-col gap-1.5">
      {choices.map(([value, name, words]) => (
        <li key={value}>
          <button
            type="button"
            className="btn btn-ghost h-auto min-h-14 w-full flex-col items-start gap-0 border-base-300 py-2 text-left"
            onClick={() => onChoose(value)}
          >
            <span className="text-lg">{name}</span>
            <span className="text-base font-normal text-quiet">{words}</span>
          </button>
        </li>
      ))}
    </ul>
  );
}
