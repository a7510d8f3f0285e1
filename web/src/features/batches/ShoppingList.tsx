import type { ShoppingItem } from '@/api';
import { useWithVolumes } from '@/hooks';

interface Props {
  lines: ShoppingItem[];
  /** Whether the reason for each amount is shown; on paper it always is. */
  details?: boolean;
  /** Called where lines can be ticked. */
  onTick?: (line: ShoppingItem, done: boolean) => void;
}

const SOURCES: [ShoppingItem['source'], string][] = [
  ['open', 'Open'],
  ['shelf', 'From stock'],
  ['stillroom', 'Make'],
  ['shop', 'Buy'],
];

/** What is taken from where: what is open, the shelf, the stillroom, the shop. */
export function ShoppingList({ lines, details = true, onTick }: Props) {
  return (
    <div className="flex flex-col gap-2 print:grid print:grid-cols-2 print:gap-x-6">
      {SOURCES.map(([source, title]) => {
        const found = lines.filter((line) => line.source === source);
        if (found.length === 0) return null;
        return (
          <section key={source} aria-label={title}>
            <h3 className="pt-1 text-base text-quiet">{title}</h3>
            <ul>
              {found.map((line) => (
                <li key={line.key} className="border-b border-base-300 last:border-0">
                  <Row line={line} details={details} onTick={onTick} />
                </li>
              ))}
            </ul>
          </section>
        );
      })}
    </div>
  );
}

function Row({ line, details, onTick }: { line: ShoppingItem; details: boolean; onTick: Props['onTick'] }) {
  const inUnit = useWithVolumes();
  const element = (
    <span
      className={`flex min-w-0 grow flex-wrap items-baseline gap-x-3 ${line.done ? 'text-quiet line-through' : ''}`}
    >
      <span className="min-w-0 grow basis-32 text-lg leading-tight font-semibold">{line.name}</span>
      <span className="text-lg font-semibold whitespace-nowrap">{inUnit(line.amount)}</span>
      <span className={`basis-full text-base leading-snug text-quiet print:block ${details ? '' : 'hidden'}`}>
        {inUnit(line.words)}
      </span>
    </span>
  );
  if (!onTick) return <span className="flex py-1">{element}</span>;
  return (
    <label className="flex min-h-12 cursor-pointer items-center gap-3 py-1">
      <input
        type="checkbox"
        className="checkbox shrink-0"
        checked={line.done}
        onChange={(event) => onTick(line, event.target.checked)}
      />
      {element}
    </label>
  );
}
