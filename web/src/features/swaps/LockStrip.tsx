import { Lock, LockOpen } from 'lucide-react';

export interface Lockable {
  /** Its place in the spec. */
  index: number;
  name: string;
  amount: string;
  free: boolean;
}

interface Props {
  pours: Lockable[];
  onToggle: (index: number) => void;
}

/** The other pours, each free to move or locked; its number is its key. */
export function LockStrip({ pours, onToggle }: Props) {
  if (pours.length === 0) return null;
  return (
    <div role="group" aria-label="Can change" className="flex shrink-0 gap-1.5 overflow-x-auto min-[760px]:flex-wrap">
      {pours.map(({ index, name, amount, free }, place) => {
        const Sign = free ? LockOpen : Lock;
        return (
          <button
            key={index}
            type="button"
            aria-pressed={!free}
            title={`${free ? 'Can change. Lock it' : 'Locked. Unlock it'} (${place + 1})`}
            className={`btn min-h-11 shrink-0 gap-1.5 px-2.5 text-base font-normal ${free ? 'btn-ghost border-base-300' : 'btn-secondary'}`}
            onClick={() => onToggle(index)}
          >
            <Sign size={17} aria-hidden />
            <kbd aria-hidden className="font-figure text-sm text-quiet max-lg:hidden">
              {place + 1}
            </kbd>
            <span>
              {name} <span className="text-quiet">{amount}</span>
              <span className="sr-only">, {free ? 'can change' : 'locked'}</span>
            </span>
          </button>
        );
      })}
    </div>
  );
}
