import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';

import { savedBatchQuery } from '@/api';
import { dayText, plainNumber } from '@/lib';
import { LoadingOrError, PaperLabel, PrintPage } from '@/ui';
import { useDocumentTitle } from '@/hooks';

/** What is stuck on the bottle: name, made, use by, strength, how it is served, what it contains. */
export function BottleLabelPage() {
  const id = Number(useParams().batchId);
  const { data, error } = useQuery(savedBatchQuery(id));
  useDocumentTitle('Label');
  if (!data) return <LoadingOrError error={error} />;
  const { name, drink, made_at, made_by, use_by, abv, volume_ml, label } = data;
  const soon = Date.parse(use_by) - Date.parse(made_at) < 48 * 3_600_000;
  const hour = new Date(use_by).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
  return (
    <PrintPage
      title={
        <>
          <Link to={`/service/batches/${id}`} className="hover:underline">
            {name}
          </Link>
          , its label
        </>
      }
    >
      <PaperLabel heading={drink} name={name} cautions={label.cautions}>
        <p className="pt-1 text-[12pt]">
          Made {dayText(made_at)}
          {made_by && ` by ${made_by}`}
        </p>
        <p className="text-[15pt] font-semibold">
          Use by {dayText(use_by)}
          {soon && `, ${hour}`}, keep cold
        </p>
        <p className="text-[13pt] font-semibold">{label.serve}</p>
        {label.each.map((words) => (
          <p key={words} className="text-[11pt] leading-tight">
            {words}
          </p>
        ))}
        <p className="text-[11pt]">
          {abv > 0.5 ? `${plainNumber(abv, 1)}% ABV` : 'Non-alcoholic'} · {plainNumber(volume_ml, 0)} ml
        </p>
        <p className="text-[11pt]">{label.contains}</p>
      </PaperLabel>
    </PrintPage>
  );
}
