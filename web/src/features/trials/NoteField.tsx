import { useQuery } from '@tanstack/react-query';
import { useId, useState } from 'react';

import { aromasQuery, type SheetEntry } from '@/api';
import { Button } from '@/ui';

export type NotePart = keyof SheetEntry['words'];

interface Props {
  part: NotePart;
  name: string;
  hint: string;
  value: string;
  /** Whether words of the aroma list are offered. */
  suggest?: boolean;
  onWrite: (part: NotePart, text: string) => void;
}

/** Free words; where they are of smell, the aroma list completes the last of them. */
export function NoteField({ part, name, hint, value, suggest = false, onWrite }: Props) {
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
            <Button
              key={tag}

              look="outline"
              className="px-3"
              onClick={() => onWrite(part, `${value.slice(0, value.length - typed.length)}${tag}, `)}
            >
              {tag}
            </Button>
          ))}
        </div>
      )}
    </div>
  );
}
