import { X } from 'lucide-react';

import { changeSettings } from '../../../lib/settings';
import { shownKey } from '../../../shell/keys';

interface Props {
  /** How far the riff has come. */
  at: 'sharper' | 'brought back';
  onBringBack: () => void;
}

/** The tour is a drink: a riff half done, with one thing to try. */
export function FirstMove({ at, onBringBack }: Props) {
  return (
    <aside
      aria-label="One thing to try"
      className="mx-1 mt-2 flex gap-1 rounded-xl border border-base-300 p-2.5 text-base leading-snug"
    >
      {at === 'sharper' ? (
        <div className="grow">
          <p className="font-semibold">One thing to try</p>
          <p>
            Quince ran out, and sea buckthorn went in for it. Beside its parent the drink is sharper now. See what one
            or two pours can do:
          </p>
          <button type="button" className="btn btn-primary mt-2 min-h-11 text-base" onClick={onBringBack}>
            Show what would mend it <kbd className="kbd text-base-content max-lg:hidden">{shownKey('bring')}</kbd>
          </button>
        </div>
      ) : (
        <div className="grow">
          <p className="font-semibold">That is a riff</p>
          <p>Undo it (Ctrl Z), tap a pour’s name to swap it, or keep it as a trial (K). Every number answers “why?”.</p>
        </div>
      )}
      <button
        type="button"
        className="btn btn-square btn-ghost btn-sm min-h-11 min-w-11 shrink-0"
        aria-label="Don’t show this again"
        onClick={() => changeSettings({ tourSeen: true })}
      >
        <X size={18} aria-hidden />
      </button>
    </aside>
  );
}
