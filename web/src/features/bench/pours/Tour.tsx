import { X } from 'lucide-react';

import { changeSettings } from '@/hooks';
import { Button } from '@/ui';

interface Props {
  /** How far the riff has come. */
  at: 'sharper' | 'brought back';
  onBringBack: () => void;
}

/** The tour is a drink: a riff half done, with one thing to try. */
export function Tour({ at, onBringBack }: Props) {
  return (
    <aside
      aria-label="Try this"
      className="mx-1 mt-2 flex gap-1 rounded-xl border border-base-300 p-2.5 text-base leading-snug"
    >
      {at === 'sharper' ? (
        <div className="grow">
          <p>Ingredients left, balance in the middle, glass and method right.</p>
          <p>Sea-buckthorn liqueur replaced quince: sharper than before.</p>
          <p className="font-semibold">Try this:</p>
          <Button look="primary" className="mt-2" onClick={onBringBack}>
            Rebalance
          </Button>
        </div>
      ) : (
        <div className="grow">
          <p className="font-semibold">That is a riff</p>
          <p>
            Undo it with Ctrl Z, press an ingredient to swap it, or save a trial (K). Press “Why?” beside a figure for
            its source.
          </p>
        </div>
      )}
      <button
        type="button"
        className="btn btn-square btn-ghost btn-sm min-h-11 min-w-11 shrink-0"
        aria-label="Don’t show again"
        onClick={() => changeSettings({ tourSeen: true })}
      >
        <X size={18} aria-hidden />
      </button>
    </aside>
  );
}
