import { Keyboard } from 'lucide-react';
import { useRef } from 'react';

import { IconButton } from './IconButton';
import { useHotkeys } from './useHotkeys';

const KEYS: [string, string][] = [
  ['↑  ↓', 'one step more or less, in an amount'],
  ['Shift ↑  ↓', 'four steps'],
  ['Esc', 'back to the last good amount; back from the larder'],
  ['Enter', 'take the marked candidate, in the larder'],
  ['A', 'add a pour'],
  ['K', 'keep as trial'],
  ['Ctrl Z', 'undo'],
  ['Ctrl Y', 'redo'],
  ['?', 'this list'],
];

/** The keys of the bench, under "?" and behind a button. */
export function Shortcuts() {
  const dialog = useRef<HTMLDialogElement>(null);
  const open = () => dialog.current?.showModal();
  useHotkeys({ '?': { run: open } });
  return (
    <>
      <IconButton icon={Keyboard} label="Keys" hotkey="?" className="hidden lg:flex" onClick={open} />
      <dialog ref={dialog} className="modal" aria-labelledby="keys-heading">
        <div className="modal-box">
          <h2 id="keys-heading" className="font-display text-2xl font-semibold">
            Keys
          </h2>
          <dl className="mt-4 grid grid-cols-[auto_1fr] items-baseline gap-x-4 gap-y-2 text-lg">
            {KEYS.map(([key, does]) => (
              <div key={key} className="contents">
                <dt>
                  <kbd className="kbd bg-base-100 font-figure text-base">{key}</kbd>
                </dt>
                <dd>{does}</dd>
              </div>
            ))}
          </dl>
          <div className="mt-6 flex justify-end">
            <button type="button" className="btn btn-primary btn-lg" onClick={() => dialog.current?.close()}>
              Close
            </button>
          </div>
        </div>
      </dialog>
    </>
  );
}
