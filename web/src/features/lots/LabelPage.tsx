import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';

import { larderDetailQuery, lotQuery } from '@/api';
import { dayText, gramsText, plainNumber } from '@/lib';
import { useDocumentTitle, useSettings } from '@/hooks';
import { LoadingOrError, PaperLabel, PrintPage } from '@/ui';

/** The day by which it is used; with its hour where that is the same day or the next. */
function untilWords(text: string, until: string): string {
  const hours = (Date.parse(until) - Date.parse(text)) / 3_600_000;
  const hour = new Date(until).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
  return hours <= 48 ? `${dayText(until)}, ${hour}` : dayText(until);
}

/** Kinds whose sweetness is told by the refractometer. */
const SWEET = new Set(['syrup', 'honey']);

/** What is stuck on the bottle: name, made, use by, what it contains, how sweet and strong. */
export function LabelPage() {
  const id = Number(useParams().lotId);
  const { supposed } = useSettings();
  const lot = useQuery(lotQuery(id, supposed));
  const slug = lot.data?.ingredient.slug ?? '';
  const detail = useQuery({ ...larderDetailQuery(slug), enabled: slug !== '' });
  useDocumentTitle('Label');
  if (!lot.data || !detail.data) return <LoadingOrError error={lot.error ?? detail.error} />;
  const { ingredient, name, made_at, use_by, kind, brix, figures: held, volume_ml } = lot.data;
  const { allergens, cautions } = detail.data.ingredient;
  const of = (figure: string) => held.find((item) => item.figure === figure)?.posterior ?? 0;
  const figures = [
    SWEET.has(kind) && `${plainNumber(brix, 0)} °Bx`,
    of('sugar') >= 0.5 && `${gramsText(of('sugar'))} g sugar/100 ml`,
    of('abv') > 0.5 && `${plainNumber(of('abv'), 1)}% ABV`,
    volume_ml !== null && `${plainNumber(volume_ml, 0)} ml`,
  ].filter(Boolean);
  return (
    <PrintPage
      title={
        <>
          <Link to={`/ingredients/open/${id}`} className="hover:underline">
            {ingredient.name}
          </Link>
          , label
        </>
      }
    >
      <PaperLabel heading={ingredient.name} name={name} cautions={cautions}>
        <p className="pt-1 text-[12pt]">Made {dayText(made_at)}</p>
        {use_by && <p className="text-[15pt] font-semibold">Use by {untilWords(made_at, use_by)}, keep cold</p>}
        <p className="text-[11pt]">{figures.join(' · ')}</p>
        <p className="text-[11pt]">{allergens.length ? `Contains ${allergens.join(', ')}` : 'No allergens listed'}</p>
      </PaperLabel>
    </PrintPage>
  );
}
