import { useQuery } from '@tanstack/react-query';
import { useId, useState } from 'react';

import type { SheetEntry } from '../../api/client';
import { AxisMark } from '../../ui/AxisMark';
import { Chips } from '../../ui/Chips';
import { TasteScale } from './TasteScale';
import { aromasQuery } from '../../api/queries/notebook';

type Part = keyof SheetEntry['words'];

interface Props {
  sheet: SheetEntry;
  /** Pours by slug, of which one may be too loud. Empty while the drink is blind and they would tell it. */
  pours: { slug: string; name: string }[];
  /** Whether the drink has an edge. */
  hasEdge: boolean;
  onSay: (change: Partial<SheetEntry>) => void;
}

/** The sheet, in the order in which a drink is tasted: look, nose, first sip, middle, finish. */
export function TastingSheet({ sheet, pours, hasEdge, onSay }: Props) {
  const { words } = sheet;
  const write = (part: Part, text: string) => onSay({ words: { ...words, [part]: text } });
  return (
    <div className="flex flex-col gap-4">
      <Words part="look" name="Look" hint="colour, foam, layers" value={words.look} onWrite={write} />
      <Words part="nose" name="Nose" hint="what it smells of" value={words.nose} suggest onWrite={write} />
      <section aria-label="First sip" className="flex flex-col gap-3 border-t border-base-300 pt-3">
        <h3 className="text-xl font-semibold">First sip</h3>
        <TasteScale
          name="Sweetness"
          mark={<AxisMark axis="sugar" size={16} />}
          little="not sweet enough"
          much="too sweet"
          value={sheet.sugar ?? null}
          onSay={(sugar) => onSay({ sugar })}
        />
        <TasteScale
          name="Sharpness"
          mark={<AxisMark axis="acid" size={16} />}
          little="not sharp enough"
          much="too sharp"
          value={sheet.acid ?? null}
          onSay={(acid) => onSay({ acid })}
        />
        <TasteScale
          name="Strength"
          mark={<AxisMark axis="abv" size={16} />}
          little="too weak"
          much="too strong"
          value={sheet.abv ?? null}
          onSay={(abv) => onSay({ abv })}
        />
        <Words part="first" name="In words" hint="what comes first" value={words.first} suggest onWrite={write} />
      </section>
      <section aria-label="Middle" className="flex flex-col gap-3 border-t border-base-300 pt-3">
        <h3 className="text-xl font-semibold">Middle</h3>
        <TasteScale
          name="Body"
          little="thin"
          much="too heavy"
          value={sheet.body ?? null}
          onSay={(body) => onSay({ body })}
        />
        {pours.length > 0 && (
          <Chips
            legend="One thing too loud"
            options={[['', 'nothing'], ...pours.map(({ slug, name }): [string, string] => [slug, name])]}
            value={sheet.loud}
            onChoose={(loud) => onSay({ loud })}
          />
        )}
        <label className="flex min-h-11 cursor-pointer items-center gap-3 text-lg">
          <input
            type="checkbox"
            className="checkbox"
            checked={sheet.lacking}
            onChange={(event) => onSay({ lacking: event.target.checked })}
          />
          Something is lacking
        </label>
        <Words part="middle" name="In words" hint="what stays" value={words.middle} suggest onWrite={write} />
      </section>
      <section aria-label="Finish" className="flex flex-col gap-3 border-t border-base-300 pt-3">
        <h3 className="text-xl font-semibold">Finish</h3>
        <Words part="finish" name="In words" hint="short, dry, it lingers" value={words.finish} onWrite={write} />
        {hasEdge && (
          <Chips
            legend="Tasted"
            options={[
              ['', 'both ways'],
              ['with', 'with the edge'],
              ['without', 'without it'],
            ]}
            value={sheet.edge}
            onChoose={(edge) => onSay({ edge })}
          />
        )}
        <fieldset>
          <legend className="text-lg font-semibold">Score</legend>
          <div className="mt-1 grid grid-cols-6 gap-1 sm:grid-cols-11">
            {Array.from({ length: 11 }, (_, score) => (
              <label key={score} className="cursor-pointer">
                <input
                  type="radio"
                  name="Score"
                  className="peer sr-only"
                  checked={sheet.score === score}
                  aria-label={`Score ${score}`}
                  onChange={() => onSay({ score })}
                />
                <span className="grid h-11 place-items-center rounded-xl border border-base-300 font-figure text-lg peer-checked:border-primary peer-checked:bg-primary peer-checked:text-primary-content peer-focus-visible:outline-3 peer-focus-visible:outline-accent">
                  {score}
                </span>
              </label>
            ))}
          </div>
        </fieldset>
      </section>
    </div>
  );
}

interface WordsProps {
  part: Part;
  name: string;
  hint: string;
  value: string;
  /** Whether words of the aroma list are offered. */
  suggest?: boolean;
  onWrite: (part: Part, text: string) => void;
}

/** Free words; where they are of smell, the aroma list completes the last of them. */
function Words({ part, name, hint, value, suggest = false, onWrite }: WordsProps) {
  const id = useId();
  const [open, setOpen] = useState(false);
  const aromas = useQuery({ ...aromasQuery(), enabled: suggest && open });
  const typed = value.split(/[ ,;]+/).at(-1) ?? '';
  const found = typed
    ? (aromas.data ?? []).filter(({ tag }) => tag.startsWith(typed.toLowerCase()) && tag !== typed).slice(0, 6)
    : [];
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
      <label htmlFor={id} className={`w-20 ${name === 'In words' ? 'text-base text-quiet' : 'text-xl font-semibold'}`}>
        {name}
      </label>
      <input
        id={id}
        className="input input-lg min-w-0 flex-1"
        maxLength={500}
        placeholder={hint}
        autoComplete="off"
        value={value}
        onFocus={() => setOpen(true)}
        onChange={(event) => onWrite(part, event.target.value)}
      />
      {found.length > 0 && (
        <div className="flex basis-full flex-wrap gap-1.5" role="group" aria-label="From the aroma list">
          {found.map(({ tag }) => (
            <button
              key={tag}
              type="button"
              className="btn btn-ghost min-h-11 border-base-300 px-3 text-base font-normal"
              onClick={() => onWrite(part, `${value.slice(0, value.length - typed.length)}${tag}, `)}
            >
              {tag}
            </button>
          ))}
        </div>
      )}
    </div>
  );
}
