import type { ReactNode } from 'react';
import { Link } from 'react-router';

import type { MenuToday } from '@/api';
import { useSettings, useWithVolumes } from '@/hooks';
import { volumeText } from '@/lib';
import { ExpectedServes } from './ExpectedServes';

/** What the evening takes: what to measure, prepare and buy, what runs low, and how many are expected. */
export function EveningLists({ today }: { today: MenuToday }) {
  const { shown, ounceMl } = useSettings();
  const inUnit = useWithVolumes();
  const { worth, prepare, low, fruit } = today;
  return (
    <div className="flex flex-col gap-3 print:mt-2 print:grid print:grid-cols-3 print:gap-2">
      {worth.length > 0 && (
        <Part title="To measure" className="print:hidden">
          {worth.slice(0, 2).map(({ words }) => (
            <li key={words}>{inUnit(words)}</li>
          ))}
        </Part>
      )}
      {prepare.length > 0 && (
        <Part title="Prep">
          {prepare.map(({ ingredient, ml, prepared, words }) => (
            <li key={ingredient.slug} className="flex flex-wrap items-baseline gap-x-2">
              {prepared ? (
                <Link className="grow font-semibold underline" to={`/ingredients/prep/${ingredient.slug}`}>
                  {ingredient.name}
                </Link>
              ) : (
                <span className="grow font-semibold">{ingredient.name}</span>
              )}
              <span className="font-figure whitespace-nowrap">{volumeText(ml, shown, ounceMl)}</span>
              <span className="basis-full text-base text-quiet">{inUnit(words)}</span>
            </li>
          ))}
        </Part>
      )}
      {fruit.length > 0 && (
        <Part title="Fruit to buy">
          {fruit.map(({ name, pieces, why }) => (
            <li key={name} className="flex flex-wrap items-baseline gap-x-2">
              <span className="grow font-semibold">
                {pieces} {name}
              </span>
              <span className="basis-full text-base text-quiet">{inUnit(why)}</span>
            </li>
          ))}
        </Part>
      )}
      {low.length > 0 && (
        <Part title="Running low">
          {low.map(({ ingredient, state, drinks }) => (
            <li key={ingredient.slug} className="flex flex-wrap gap-x-2">
              <span className="grow font-semibold">{ingredient.name}</span>
              <span className={state === 'out' ? 'text-error' : 'text-quiet'}>
                {state}, in {drinks} {drinks === 1 ? 'drink' : 'drinks'}
              </span>
            </li>
          ))}
        </Part>
      )}
      {today.drinks.length > 0 && <ExpectedServes today={today} />}
    </div>
  );
}

function Part({ title, className = '', children }: { title: string; className?: string; children: ReactNode }) {
  return (
    <section aria-label={title} className={`panel p-4 print:p-2 ${className}`}>
      <h2 className="pb-1 font-display text-xl font-semibold">{title}</h2>
      <ul className="flex flex-col gap-2 text-lg leading-snug">{children}</ul>
    </section>
  );
}
