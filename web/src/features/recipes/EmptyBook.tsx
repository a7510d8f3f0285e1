import { ClipboardPaste, FolderInput, type LucideIcon } from 'lucide-react';
import { Link } from 'react-router';

const PRESSES = [
  ['Choose a family', 'A sour is strong, sour and sweet. A daisy adds a liqueur, a fizz adds bubbles.'],
  ['Choose a ratio', 'The figures beside it are its amounts in ml.'],
  ['Open it on the bench', 'Swap a bottle there, and see what gets sweeter, sharper or stronger.'],
];

/** What an empty book teaches: a drink in three presses, or one that is written down already. */
export function EmptyBook() {
  return (
    <div className="flex flex-col gap-4">
      <section className="panel p-5" aria-labelledby="first-heading">
        <h2 id="first-heading" className="font-display text-2xl font-semibold">
          Your first drink in three presses
        </h2>
        <ol className="mt-3 flex flex-col gap-3">
          {PRESSES.map(([what, words], at) => (
            <li key={what} className="flex gap-4">
              <span
                aria-hidden
                className="flex size-11 shrink-0 items-center justify-center rounded-full bg-secondary font-figure text-xl font-semibold"
              >
                {at + 1}
              </span>
              <span>
                <strong className="block text-lg font-semibold">{what}</strong>
                <span className="text-lg text-quiet">{words}</span>
              </span>
            </li>
          ))}
        </ol>
      </section>
      <div className="grid gap-4 sm:grid-cols-2">
        <OtherStart
          to="/paste"
          icon={ClipboardPaste}
          title="Paste a recipe"
          words="Every line is read. You check what is doubtful."
        />
        <OtherStart
          to="/recipes/import"
          icon={FolderInput}
          title="Import files"
          words="From another machine, another bar or a table. You see everything before it is saved."
        />
      </div>
      <p className="text-quiet">Everything stays on this machine. Settings shows the folder and the last copy.</p>
    </div>
  );
}

interface OtherProps {
  to: string;
  icon: LucideIcon;
  title: string;
  words: string;
}

function OtherStart({ to, icon: Icon, title, words }: OtherProps) {
  return (
    <Link to={to} className="panel flex gap-4 p-5 hover:bg-secondary focus-visible:bg-secondary">
      <Icon size={28} aria-hidden className="mt-1 shrink-0" />
      <span>
        <strong className="block text-lg font-semibold">{title}</strong>
        <span className="text-quiet">{words}</span>
      </span>
    </Link>
  );
}
