import { Dialog } from './Dialog';

const KEYS: { where: string; keys: [string, string][] }[] = [
  {
    where: 'Anywhere',
    keys: [
      ['Ctrl K', 'do anything: find a command, a pour, a drink'],
      ['Ctrl Z, Ctrl Y', 'undo, redo'],
      [',', 'settings'],
      ['?', 'this list'],
    ],
  },
  {
    where: 'On the bench',
    keys: [
      ['A', 'add a pour'],
      ['B', 'bring it back'],
      ['G', 'size it to the glass'],
      ['S', 'up, on cubes, on a large one, on crushed ice'],
      ['M', 'how it is made'],
      ['K', 'keep as trial'],
      ['D', 'the next step is done'],
    ],
  },
  {
    where: 'On a pour',
    keys: [
      ['↑  ↓', 'one step more or less, in its amount; with Shift four'],
      ['Enter', 'swap it: on its name'],
      ['L', 'lock or free it'],
      ['O', 'look at the drink without it, where it is optional'],
      ['.', 'more: role, time, order, follows, range'],
      ['Esc', 'back to the last good amount'],
    ],
  },
  {
    where: 'In the swaps, and bringing it back',
    keys: [
      ['T', 'try it on'],
      ['Enter', 'take it'],
      ['1 … 9', 'lock or free the other pours'],
      ['/', 'search'],
      ['Esc', 'go back'],
    ],
  },
  { where: 'On the field', keys: [['←  →  ↑  ↓', 'move the drink to where you want it; Enter brings it there']] },
];

/** The keys, under "?". */
export function KeysDialog({ onClose }: { onClose: () => void }) {
  return (
    <Dialog heading="Keys" wide onClose={onClose}>
      <div className="gap-x-8 md:columns-2">
        {KEYS.map(({ where, keys }) => (
          <section key={where} className="mb-4 break-inside-avoid">
            <h3 className="mb-1 font-semibold">{where}</h3>
            <dl className="grid grid-cols-[auto_1fr] items-baseline gap-x-3 gap-y-1.5 text-base">
              {keys.map(([key, does]) => (
                <div key={key} className="contents">
                  <dt>
                    <kbd className="kbd bg-base-100 font-figure text-sm whitespace-nowrap">{key}</kbd>
                  </dt>
                  <dd>{does}</dd>
                </div>
              ))}
            </dl>
          </section>
        ))}
      </div>
    </Dialog>
  );
}
