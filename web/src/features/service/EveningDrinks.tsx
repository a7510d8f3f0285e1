import { useQuery } from '@tanstack/react-query';
import { Minus, Plus, X } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';

import { api, type Evening, type EveningEntry } from '../../api/client';
import { newestQuery } from '../../api/queries/drinks';
import { batchesQuery } from '../../api/queries/service';
import { useSettings, useWithVolumes } from '../../lib/settings';
import { Figure } from '../../ui/Field';
import { IconButton } from '../../ui/IconButton';
import { Pick } from '../../ui/Pick';
import { Overtaken } from '../../ui/Overtaken';
import { Refused } from '../../ui/Refused';
import { SERVICES } from './services';
import { useEvening } from './useEvening';

type Drink = EveningEntry['drinks'][number];
type TellDrink = (what: 'serves' | 'service' | 'batch_id', to: string | number | null) => void;

const HOUR = 3_600_000;
const USUAL_SERVES = 10;

/** A new evening: today at seven, or tomorrow where that has passed. */
function usualEvening(): EveningEntry {
  const at = new Date();
  at.setHours(19, 0, 0, 0);
  if (at.getTime() < Date.now() + HOUR) at.setDate(at.getDate() + 1);
  return { name: 'Event plan', at: at.toISOString(), hands: 1, drinks: [] };
}

/** A time as the field of the browser wants it: by the clock on the wall. */
function local(iso: string): string {
  const at = new Date(iso);
  return new Date(at.getTime() - at.getTimezoneOffset() * 60_000).toISOString().slice(0, 16);
}

/** When, with how many hands, and how many of which drink: each change is worked out at once, and leaves the rest as it is. */
export function EveningDrinks({ report }: { report: Evening }) {
  const { supposed: query } = useSettings();
  const [begun] = useState(usualEvening);
  const evening = useEvening(report.evening ?? begun, query);
  const { entry, tell } = evening;
  const drinks = useQuery(newestQuery()).data ?? [];
  const name = (id: number) => drinks.find((each) => each.id === id)?.name ?? 'a drink';
  return (
    <section
      aria-label="Event"
      className={`panel flex flex-col gap-3 p-4 print:hidden ${report.evening ? 'max-lg:order-last' : ''}`}
    >
      <Overtaken
        fault={evening.refused?.fault}
        onTheirs={evening.letGo}
        onMine={evening.insist}
        className="text-base"
      />
      <WhatAndWhen entry={entry} tell={tell} />
      <ul className="flex flex-col gap-2">
        {entry.drinks.map((each) => (
          <DrinkLine
            key={each.drink_id}
            drink={each}
            name={name(each.drink_id)}
            words={report.drinks.find(({ drink_id }) => drink_id === each.drink_id)?.words ?? ''}
            onChange={(what, to) => tell(what, to, each.drink_id)}
            onRemove={() => tell('pours', 0, each.drink_id)}
          />
        ))}
      </ul>
      <Another
        taken={entry.drinks.map(({ drink_id }) => drink_id)}
        onAdd={(drink_id) => tell('pours', USUAL_SERVES, drink_id)}
      />
      {report.evening ? <TakeOff /> : <PutBack name={report.before} />}
    </section>
  );
}

interface Telling {
  entry: EveningEntry;
  tell: (what: 'name' | 'at' | 'hands', to: string | number) => void;
}

/** What it is called, its hour, and how many hands there are. */
function WhatAndWhen({ entry, tell }: Telling) {
  return (
    <>
      <label className="flex flex-col gap-1 text-base">
        Name
        <input
          key={entry.name}
          className="input min-h-11 w-full text-lg"
          maxLength={200}
          defaultValue={entry.name}
          onBlur={({ target }) => target.value.trim() && tell('name', target.value.trim())}
        />
      </label>
      <div className="flex flex-wrap gap-3">
        <label className="flex min-w-0 grow flex-col gap-1 text-base">
          First guest at
          <input
            key={entry.at}
            type="datetime-local"
            className="input min-h-11 w-full font-figure text-lg"
            defaultValue={local(entry.at)}
            onBlur={({ target }) => {
              const at = new Date(target.value);
              if (!Number.isNaN(at.getTime()) && target.value !== local(entry.at)) tell('at', at.toISOString());
            }}
          />
        </label>
        <div>
          <p className="mb-1 text-base">Staff</p>
          <Stepper label="Staff" value={entry.hands} most={12} onChange={(hands) => tell('hands', hands)} />
        </div>
      </div>
    </>
  );
}

/** Takes the evening off at the second press; it can be put back until another begins. */
function TakeOff() {
  const forget = api.useMutation('delete', '/api/evening');
  const [sure, setSure] = useState(false);
  return (
    <>
      <button
        type="button"
        className="btn btn-ghost min-h-11 border-base-300 text-base font-normal"
        onBlur={() => setSure(false)}
        onClick={() => (sure ? forget.mutate({}) : setSure(true))}
      >
        {sure ? 'Press again to delete it and its ticks' : 'New event'}
      </button>
      <Refused fault={forget.error} className="text-base text-error" />
    </>
  );
}

function PutBack({ name }: { name: string }) {
  const { supposed: query } = useSettings();
  const back = api.useMutation('post', '/api/evening/back');
  if (!name) return null;
  return (
    <>
      <button
        type="button"
        className="btn min-h-11 text-base font-normal"
        onClick={() => back.mutate({ params: { query } })}
      >
        Restore “{name}”
      </button>
      <Refused fault={back.error} className="text-base text-error" />
    </>
  );
}

/** The drinks that aren’t on it yet. */
function Another({ taken, onAdd }: { taken: number[]; onAdd: (id: number) => void }) {
  const free = (useQuery(newestQuery()).data ?? []).filter(({ id }) => !taken.includes(id));
  if (free.length === 0) return null;
  return (
    <Pick
      label="Add a drink"
      className="min-h-11 w-full text-base"
      value={0}
      options={[[0, 'Add a drink…'], ...free.map(({ id, name }) => [id, name] as const)]}
      onPick={(id) => id !== 0 && onAdd(id)}
    />
  );
}

interface LineProps {
  drink: Drink;
  name: string;
  words: string;
  onChange: TellDrink;
  onRemove: () => void;
}

function DrinkLine({ drink, name, words, onChange, onRemove }: LineProps) {
  const inUnit = useWithVolumes();
  return (
    <li className="flex flex-col gap-1.5 rounded-xl border border-base-300 p-2.5">
      <div className="flex items-center gap-2">
        <Link to={`/service/batch/${drink.drink_id}`} className="grow text-lg leading-tight font-semibold underline">
          {name}
        </Link>
        <IconButton icon={X} label={`Remove ${name}`} onClick={onRemove} />
      </div>
      <div className="flex flex-wrap items-center gap-2">
        <Stepper
          label={`Serves of ${name}`}
          value={drink.serves}
          most={5000}
          onChange={(serves) => onChange('serves', serves)}
        />
        <Way drink={drink} onChange={onChange} />
      </div>
      <p className="text-base leading-snug text-quiet">{inUnit(words)}</p>
    </li>
  );
}

/** How a drink of the evening is made: singly, as a batch, or out of a bottle that is there. */
function Way({ drink, onChange }: { drink: Drink; onChange: TellDrink }) {
  const there = (useQuery(batchesQuery()).data ?? []).filter(({ drink_id }) => drink_id === drink.drink_id);
  return (
    <>
      <Pick
        label="Made"
        className="min-h-11 min-w-0 grow text-base"
        value={drink.service}
        options={[
          ['', 'made to order'],
          ...SERVICES.map(([each, words]) => [each, `batch: ${words.toLowerCase()}`] as const),
        ]}
        onPick={(service) => onChange('service', service)}
      />
      {there.length > 0 && (
        <Pick
          label="From which bottle"
          className="min-h-11 w-full text-base"
          value={drink.batch_id ?? 0}
          options={[
            [0, 'no bottle yet'],
            ...there.map(({ id, name, serves_left }) => [id, `${name} first: ${serves_left} left`] as const),
          ]}
          onPick={(id) => onChange('batch_id', id === 0 ? null : id)}
        />
      )}
    </>
  );
}

interface StepperProps {
  label: string;
  value: number;
  most: number;
  onChange: (value: number) => void;
}

function Stepper({ label, value, most, onChange }: StepperProps) {
  return (
    <div className="flex items-center gap-1">
      <button
        type="button"
        aria-label={`${label}: one less`}
        className="btn btn-square size-11"
        disabled={value <= 1}
        onClick={() => onChange(value - 1)}
      >
        <Minus size={18} aria-hidden />
      </button>
      <Figure
        aria-label={label}
        className="input min-h-11 w-16 px-1 text-center font-figure text-lg font-semibold"
        least={1}
        most={most}
        value={value}
        onFigure={(told) => told !== null && onChange(Math.round(told))}
      />
      <button
        type="button"
        aria-label={`${label}: one more`}
        className="btn btn-square size-11"
        disabled={value >= most}
        onClick={() => onChange(value + 1)}
      >
        <Plus size={18} aria-hidden />
      </button>
    </div>
  );
}
