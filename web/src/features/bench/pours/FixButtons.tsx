import type { Finding } from '@/api';
import { useWithVolumes } from '@/hooks';
import { useBenchActions } from '../benchActions';

/** The changes of the drink that would mend a finding, each one press away. */
export function FixButtons({ finding }: { finding: Finding }) {
  const hand = useBenchActions();
  const inUnit = useWithVolumes();
  if (!hand || finding.mends.length === 0) return null;
  return (
    <span className="mt-1.5 flex flex-wrap gap-1.5">
      {finding.mends.map((words, mend) => (
        <button
          key={words}
          type="button"
          className="btn h-auto min-h-11 border-base-300 py-1 text-left text-base leading-tight font-normal"
          onClick={() => hand.mend(finding, mend)}
        >
          {inUnit(words)}
        </button>
      ))}
    </span>
  );
}
