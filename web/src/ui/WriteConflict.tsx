import { Button } from './Button';
import { CHANGED_ELSEWHERE, type Fault } from '@/api';
import { asSentence } from '@/lib';
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
      <Button onClick={onTheirs}>Use the other version</Button>
      <Button look="primary" onClick={onMine}>
        Keep mine
      </Button>
    </div>
  );
}
