import { CHANGED_ELSEWHERE } from '@/api/client';
import type { Fault } from '@/api/types';
import { asSentence } from '@/lib/format';
import { ErrorMessage } from './ErrorMessage';

interface Props {
  fault: Fault | null | undefined;
  /** Takes what is there and lets mine go. */
  onTheirs: () => void;
  /** Puts mine in its place. */
  onMine: () => void;
  className?: string;
}

/** Why something wasn’t written; where another window wrote meanwhile, both are kept until one is chosen. */
export function WriteConflict({ fault, onTheirs, onMine, className = '' }: Props) {
  if (fault?.code !== CHANGED_ELSEWHERE) return <ErrorMessage fault={fault} className={`text-error ${className}`} />;
  return (
    <div role="alert" className={`flex flex-wrap items-center gap-2 rounded-xl border border-warning p-3 ${className}`}>
      <p className="min-w-60 grow">{asSentence(fault.detail)}</p>
      <button type="button" className="btn min-h-11 text-base" onClick={onTheirs}>
        Use the other version
      </button>
      <button type="button" className="btn btn-primary min-h-11 text-base" onClick={onMine}>
        Keep mine
      </button>
    </div>
  );
}
