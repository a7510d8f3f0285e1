import { useQuery } from '@tanstack/react-query';
import { Minus, Plus, X } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';

import { batchesQuery, newestQuery, useForgetEvent, useRestoreEventDrink } from '@/api';
import type { EventPlan, EventPlanEntry } from '@/api';
import { useSettings, useWithVolumes } from '@/hooks';
import { Button, ErrorMessage, IconButton, NumberField, Select, WriteConflict } from '@/ui';
import { SERVICE_STYLES } from '@/features/batches';
import { useEventPlan } from './useEventPlan';

type Drink = EventPlanEntry['drinks'][number];
type ChangeDrink = (what: 'serves' | 'service' | 'batch_id', to: string | number | null) => void;

const HOUR = 3_600_000;
const USUAL_SERVES = 10;

/** A new evening: today at seven, or tomorrow where that has passed. */
function usualEvening(): EventPlanEntry {
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
export function EventDrinks({ report }: { report: EventPlan }) {
  const { supposed: query } = useSettings();
  const [begun] = useState(usualEvening);
  const evening = useEventPlan(report.evening ?? begun, query);
  const { entry, tell } = evening;
  const drinks = useQuery(newestQuery()).data ?? [];
  const name = (id: number) => drinks.find((drink) => drink.id === id)?.name ?? 'a drink';
  return (
    <section
      aria-label="Event"
      className={`panel flex flex-col gap-3 p-4 print:hidden ${report.evening ? 'max-lg:order-last' : ''}`}
    >
      <WriteConflict
        fault={evening.refused?.fault}
        onTheirs={evening.letGo}
        onMine={evening.insist}
        className="text-base"
      />
      <EventBasics entry={entry} tell={tell} />
      <ul className="flex flex-col gap-2">
        {entry.drinks.map((item) => (
          <DrinkLine
            key={item.drink_id}
            drink={item}
            name={name(item.drink_id)}
            words={report.drinks.find(({ drink_id }) => drink_id === item.drink_id)?.words ?? ''}
            onChange={(what, to) => tell(what, to, item.drink_id)}
            onRemove={() => tell('pours', 0, item.drink_id)}
          />
        ))}
      </ul>
      <AddDrink
        taken={entry.drinks.map(({ drink_id }) => drink_id)}
        onAdd={(drink_id) => tell('pours', USUAL_SERVES, drink_id)}
      />
      {report.evening ? <TakeOff /> : <RestoreDrink name={report.before} />}
    </section>
  );
}

interface ChangeProps {
  entry: EventPlanEntry;
  tell: (what: 'name' | 'at' | 'hands', to: string | number) => void;
}

/** What it is called, its hour, and how many hands there are. */
function EventBasics({ entry, tell }: ChangeProps) {
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
  const forget = useForgetEvent();
  const [sure, setSure] = useState(false);
  return (
    <>
      <Button look="outline" onBlur={() => setSure(false)} onClick={() => (sure ? forget.mutate({}) : setSure(true))}>
        {sure ? 'Press again to delete it and its ticks' : 'New event'}
      </Button>
      <ErrorMessage fault={forget.error} className="text-base text-error" />
    </>
  );
}

function RestoreDrink({ name }: { name: string }) {
  const { supposed: query } = useSettings();
  const back = useRestoreEventDrink();
  if (!name) return null;
  return (
    <>
      <Button className="font-normal" onClick={() => back.mutate({ params: { query } })}>
        Restore “{name}”
      </Button>
      <ErrorMessage fault={back.error} className="text-base text-error" />
    </>
  );
}

/** The drinks that aren’t on it yet. */
function AddDrink({ taken, onAdd }: { taken: number[]; onAdd: (id: number) => void }) {
  const free = (useQuery(newestQuery()).data ?? []).filter(({ id }) => !taken.includes(id));
  if (free.length === 0) return null;
  return (
    <Select
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
  onChange: ChangeDrink;
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
        <ServiceChoice drink={drink} onChange={onChange} />
      </div>
      <p className="text-base leading-snug text-quiet">{inUnit(words)}</p>
    </li>
  );
}

/** How a drink of the evening is made: singly, as a batch, or out of a bottle that is there. */
function ServiceChoice({ drink, onChange }: { drink: Drink; onChange: ChangeDrink }) {
  const there = (useQuery(batchesQuery()).data ?? []).filter(({ drink_id }) => drink_id === drink.drink_id);
  return (
    <>
      <Select
        label="Made"
        className="min-h-11 min-w-0 grow text-base"
        value={drink.service}
        options={[
          ['', 'made to order'],
          ...SERVICE_STYLES.map(([option, words]) => [option, `batch: ${words.toLowerCase()}`] as const),
        ]}
        onPick={(service) => onChange('service', service)}
      />
      {there.length > 0 && (
        <Select
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
      <NumberField
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
