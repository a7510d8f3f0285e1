import { Keyboard } from 'lucide-react';
import { useState } from 'react';

import { Dialog } from './Dialog';
import { IconButton } from './IconButton';
import { useHotkeys } from './useHotkeys';

const KEYS: [string, string][] = [
  ['↑  ↓', 'one step more or less, in an amount'],
  ['Shift ↑  ↓', 'four steps'],
  ['Esc', 'back to the last good amount; back from what was opened'],
  ['Enter', 'take the marked candidate'],
  ['T', 'try it on, in the swaps'],
  ['1 … 9', 'lock or free the other pours, in the swaps'],
  ['/', 'search, in the swaps'],
  ['L', 'lock or free the pour that the hand is on'],
  ['B', 'bring it back'],
  ['A', 'add a pour'],
  ['K', 'keep as trial'],
  ['Ctrl Z', 'undo'],
  ['Ctrl Y', 'redo'],
  ['?', 'this list'],
];

/** The keys of the bench, under "?" and behind a button. */
export function Shortcuts() {
  const [open, setOpen] = useState(false);
  useHotkeys({ '?': { run: () => setOpen(true) } });
  return (
    <>
      <IconButton icon={Keyboard} label="Keys" hotkey="?" className="hidden lg:flex" onClick={() => setOpen(true)} />
      {open && (
        <Dialog heading="Keys" onClose={() => setOpen(false)}>
          <dl className="grid grid-cols-[auto_1fr] items-baseline gap-x-4 gap-y-2 text-lg">
            {KEYS.map(([key, does]) => (
              <div key={key} className="contents">
                <dt>
                  <kbd className="kbd bg-base-100 font-figure text-base">{key}</kbd>
                </dt>
                <dd>{does}</dd>
              </div>
            ))}
          </dl>
        </Dialog>
      )}
    </>
  );
}
