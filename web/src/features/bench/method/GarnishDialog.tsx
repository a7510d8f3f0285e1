import { useQuery } from '@tanstack/react-query';
import { Plus, Trash2 } from 'lucide-react';
import { useMemo, useState } from 'react';

import { type Garnish, garnishesQuery, larderQuery, rulesQuery, type Spec } from '@/api';
import { capital } from '@/lib';
import { garnishOf } from '@/spec';
import { Button, Dialog, IconButton, SuggestField, TextField } from '@/ui';

interface Props {
  spec: Spec;
  onChange: (of: (spec: Spec) => Spec, what: string) => void;
  onClose: () => void;
}

const NEW: Garnish = { what: '', why: '', how: '', instead: '' };

/** What is put on the drink last: in any words, with its reason, how it gets there, and what to take where there is none. */
export function GarnishDialog({ spec, onChange, onClose }: Props) {
  const { data: suggested } = useQuery(garnishesQuery(spec));
  const [adding, setAdding] = useState(false);
  const garnish = spec.serve.garnish.map(garnishOf);
  // A new one is the drink's once it says what it is.
  const shown = adding ? [...garnish, NEW] : garnish;
  const write = (next: Garnish[], what: string) => {
    onChange((present) => ({ ...present, serve: { ...present.serve, garnish: next } }), what);
    setAdding(false);
  };
  const change = (at: number, part: Partial<Garnish>) =>
    write(
      shown.map((item, index) => (index === at ? { ...item, ...part } : item)),
      `garnish ${at}`,
    );
  const remove = (at: number) =>
    at < garnish.length
      ? write(
          garnish.filter((_, index) => index !== at),
          `no garnish ${at}`,
        )
      : setAdding(false);
  const open = (suggested ?? []).filter((item) => !garnish.some(({ what }) => same(what, item.garnish.what)));
  return (
    <Dialog heading="Garnish" wide onClose={onClose}>
      {shown.length === 0 && <p className="text-quiet">None yet. Write your own, or add a suggestion.</p>}
      {shown.map((item, at) => (
        <GarnishFields
          key={at}
          garnish={item}
          number={at + 1}
          onChange={(part) => change(at, part)}
          onRemove={() => remove(at)}
        />
      ))}
      <Button className="self-start font-normal" disabled={adding} onClick={() => setAdding(true)}>
        <Plus size={18} aria-hidden /> Your own garnish
      </Button>
      {open.length > 0 && (
        <section aria-label="Suggested garnishes">
          <p className="mb-1 text-quiet">Suggested garnishes</p>
          <ul className="grid gap-1.5 sm:grid-cols-2">
            {open.map(({ garnish: { what, why, how, instead }, at_hand }) => (
              <li key={what}>
                <button
                  type="button"
                  className="btn btn-ghost h-auto min-h-14 w-full flex-col items-start gap-0 border-base-300 px-3 py-1.5 text-left"
                  onClick={() => write([...garnish, { what, why, how, instead }], `garnish ${what}`)}
                >
                  <span className="text-lg">{capital(what)}</span>
                  <span className="text-base font-normal text-quiet">
                    {why}
                    {at_hand ? ', in stock' : ''}
                  </span>
                </button>
              </li>
            ))}
          </ul>
        </section>
      )}
    </Dialog>
  );
}

const same = (one: string, other: string) => one.trim().toLowerCase() === other.trim().toLowerCase();

interface OneProps {
  garnish: Garnish;
  number: number;
  onChange: (part: Partial<Garnish>) => void;
  onRemove: () => void;
}

function GarnishFields({ garnish: { what, why, how, instead }, number, onChange, onRemove }: OneProps) {
  const { data: rules } = useQuery(rulesQuery());
  const { data: larder } = useQuery(larderQuery());
  const known = useMemo(
    () => larder?.filter(({ slots }) => slots.includes('garnish')).map(({ name }) => name),
    [larder],
  );
  const [named, setNamed] = useState(what);
  const isNew = !what;
  return (
    <fieldset className="rounded-xl border border-base-300 p-3">
      <legend className="sr-only">Garnish {number}</legend>
      <div className="grid gap-3 sm:grid-cols-2">
        <SuggestField
          label="What"
          value={named}
          hint="thin slice of quince"
          usual={known}
          autoFocus={isNew}
          onWrite={(text) => {
            setNamed(text);
            if (text.trim()) onChange({ what: text });
          }}
        />
        {!isNew && (
          <>
            <TextField
              label="Why"
              value={why}
              hint="echoes the quince liqueur"
              onWrite={(text) => onChange({ why: text })}
            />
            <SuggestField
              label="How"
              value={how}
              hint="On the rim"
              usual={rules?.garnish_hows ?? []}
              onWrite={(text) => onChange({ how: text })}
            />
            <TextField
              label="If it is out of stock"
              value={instead}
              hint="slice of pear"
              onWrite={(text) => onChange({ instead: text })}
            />
          </>
        )}
      </div>
      <div className="mt-2 flex justify-end">
        <IconButton icon={Trash2} label={`Remove ${what || 'it'}`} onClick={onRemove} />
      </div>
    </fieldset>
  );
}
