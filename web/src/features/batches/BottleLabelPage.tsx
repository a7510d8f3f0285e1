import { useQuery } from '@tanstack/react-query';
import { Printer } from 'lucide-react';
import { Link, useParams } from 'react-router';

import { savedBatchQuery } from '@/api';
import { dayText, plainNumber } from '@/lib';
import { Button, LoadingOrError, PageHeader } from '@/ui';
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
    <div className="page-body">
      <div className="print:hidden">
        <PageHeader
          actions={
            <Button look="primary" className="gap-2" onClick={() => window.print()}>
              <Printer size={20} aria-hidden /> Print
            </Button>
          }
        >
          <h1 className="font-display text-2xl leading-tight font-semibold">
            <Link to={`/service/batches/${id}`} className="hover:underline">
              {name}
            </Link>
            , its label
          </h1>
        </PageHeader>
      </div>
      <main>
        <article
          aria-label="Label"
          className="lot-label mx-auto flex w-[9cm] flex-col gap-1 rounded-2xl border-2 border-[#23252e] bg-[#fffdf7] p-[5mm] text-[#23252e]"
        >
          <p className="font-display text-[22pt] leading-none font-semibold">{drink}</p>
          <p className="text-[12pt]">{name}</p>
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
          {label.cautions.length > 0 && <p className="text-[9pt]">{label.cautions.join(', ')}</p>}
          <p className="text-[9pt]">Trust your nose over the date. Check the labels of its ingredients.</p>
        </article>
      </main>
    </div>
  );
}
