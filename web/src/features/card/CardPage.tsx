import { useQuery } from '@tanstack/react-query';
import { Link, useParams, useSearchParams } from 'react-router';

import { cardQuery, type CardRequest, type DrinkDetail, drinkQuery } from '@/api';
import { useDocumentTitle, useSettings } from '@/hooks';
import { ChoiceChips, LoadingOrError, PrintPage, Select, ServerSheet } from '@/ui';

type Layout = CardRequest['layout'];

/** A drink on its card, as it is printed: for whoever makes it tomorrow, or at the station. */
export function CardPage() {
  const id = Number(useParams().drinkId);
  const [params, setParams] = useSearchParams();
  const { supposed, way, shown, country } = useSettings();
  const drink = useQuery(drinkQuery(id));
  const trial = numberOf(params.get('trial'));
  const beside = numberOf(params.get('beside'));
  const layout: Layout = params.get('layout') === 'station' ? 'station' : 'card';
  const card = useQuery(cardQuery({ drink: id, trial, beside, layout, ...way, shown, country }, supposed));
  useDocumentTitle(drink.data ? `${drink.data.name}, card` : 'Card');
  if (!drink.data || !card.data) return <LoadingOrError error={drink.error ?? card.error} />;
  const set = (name: string, value: string) =>
    setParams(
      (before) => {
        const next = new URLSearchParams(before);
        if (value) next.set(name, value);
        else next.delete(name);
        return next;
      },
      { replace: true },
    );
  return (
    <PrintPage
      title={
        <>
          <Link to={`/bench/${id}`} className="hover:underline">
            {drink.data.name}
          </Link>
          , card
        </>
      }
    >
      <div className="flex flex-wrap items-center gap-3 print:hidden">
        <ChoiceChips
          inLine
          legend="Layout"
          options={[
            ['card', 'the whole card'],
            ['station', 'station sheet'],
          ]}
          value={beside === null ? layout : 'card'}
          onChoose={(chosen: string) => {
            set('layout', chosen === 'station' ? chosen : '');
          }}
        />
        <Select
          label="Trial"
          value={trial ?? 0}
          options={[[0, drink.data.draft ? 'the draft on the bench' : 'the newest trial'], ...trialsOf(drink.data)]}
          onPick={(chosen) => set('trial', chosen ? String(chosen) : '')}
        />
        <Select
          label="Compare with another trial"
          value={beside ?? 0}
          options={[[0, 'nothing else'], ...trialsOf(drink.data).map(([n, words]) => [n, `beside ${words}`] as const)]}
          onPick={(chosen) => set('beside', chosen ? String(chosen) : '')}
        />
      </div>
      <ServerSheet html={card.data.html} />
    </PrintPage>
  );
}

const numberOf = (text: string | null) => (text && /^\d+$/.test(text) && Number(text) > 0 ? Number(text) : null);

function trialsOf(drink: DrinkDetail): [number, string][] {
  return drink.trials.map(({ number, name }) => [number, `trial ${number}: ${name}`]);
}
