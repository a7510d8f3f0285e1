import type { Finding } from '../../api/client';

export type OnMend = (finding: Finding, mend: number) => void;

interface Props {
  finding: Finding;
  /** Absent where a kept trial is looked at. */
  onMend: OnMend | undefined;
}

/** The changes of the drink that would mend a finding, each one press away. */
export function Mends({ finding, onMend }: Props) {
  if (!onMend || finding.mends.length === 0) return null;
  return (
    <span className="mt-1.5 flex flex-wrap gap-1.5">
      {finding.mends.map((words, mend) => (
        <button
          key={words}
          type="button"
          className="btn h-auto min-h-11 border-base-300 py-1 text-left text-base leading-tight font-normal"
          onClick={() => onMend(finding, mend)}
        >
          {words}
        </button>
      ))}
    </span>
  );
}
