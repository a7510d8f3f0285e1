import { ArrowRight } from 'lucide-react';
import { Link } from 'react-router';

import type { Criteria, Original } from '@/api';
import { capital, plainNumber, priceText } from '@/lib';
import { formWords } from '@/spec';
import { type Country, useSettings, useWithVolumes } from '@/hooks';
import { Button, ErrorMessage } from '@/ui';
import { useOpenOriginal } from './useOpenOriginal';
import { similarTo, withVariedPart } from './criteria';

interface Props {
  original: Original;
  wish: Criteria;
  onWish: (wish: Criteria) => void;
  /** The wish was changed out of it: another one is looked at then. */
  onMoved: () => void;
}

const COUNTRIES: Record<Country, string> = { us: 'US', uk: 'UK', au: 'Australian' };
const PART_WORDS: Record<string, string> = {
  base: 'base',
  base2: 'second base',
  sour: 'sour',
  sour2: 'second sour',
  sweet: 'sweetener',
  sweet2: 'second sweetener',
  liqueur: 'liqueur',
  accent: 'accent',
  accent2: 'second accent',
  texture: 'foam',
  cream: 'cream',
  lengthener: 'mixer',
};

/** What is to be said of one original, and what can be done with it. */
export function OriginalDetails({ original, wish, onWish, onMoved }: Props) {
  const { spec, reasons, nearest, parts, volume_ml, abv, standard_drinks, cost } = original;
  const { country } = useSettings();
  const inUnit = useWithVolumes();
  const ask = (next: Criteria) => {
    onMoved();
    onWish(next);
  };
  return (
    <article className="panel flex flex-col gap-2 p-3" aria-label={spec.name}>
      <h2 className="font-display text-2xl leading-tight font-semibold">{spec.name}</h2>
      <p className="text-base text-quiet">
        {[
          `${capital(formWords(spec.form))} in a ${spec.serve.glass}`,
          inUnit(`${volume_ml.toFixed(0)} ml`),
          ...(abv >= 0.5
            ? [
                `${plainNumber(abv, 1)}% ABV`,
                `${plainNumber(standard_drinks[country] ?? 0, 1)} ${COUNTRIES[country]} standard drinks`,
              ]
            : ['no alcohol']),
          ...(cost === null ? [] : [`costs ${priceText(cost)}`]),
        ].join(' · ')}
      </p>
      <OpenOriginal original={original} wish={wish} />
      <div className="flex flex-wrap gap-1.5">
        <Button onClick={() => ask(similarTo(wish, original))}>More like this</Button>
        <select
          className="select min-h-11 w-auto text-base"
          aria-label="Vary one part"
          value=""
          onChange={({ target }) => target.value && ask(withVariedPart(wish, original, target.value))}
        >
          <option value="">Vary one part…</option>
          {parts.map(({ part, name }) => (
            <option key={part} value={part}>
              {PART_WORDS[part] ?? part}: {name}
            </option>
          ))}
        </select>
        <select
          className="select min-h-11 w-auto text-base"
          aria-label="Less of one ingredient"
          value=""
          onChange={({ target }) => target.value && ask({ ...wish, less: [...new Set([...wish.less, target.value])] })}
        >
          <option value="">Less of…</option>
          {parts.map(({ slug, name }) => (
            <option key={slug} value={slug}>
              {name}
            </option>
          ))}
        </select>
      </div>
      <ul className="flex list-disc flex-col gap-1 pl-5 text-base leading-snug">
        {reasons.map((reason) => (
          <li key={reason}>{inUnit(reason)}</li>
        ))}
        {nearest && (
          <li>
            Closest in Recipes:{' '}
            <Link className="link" to={`/bench/${nearest.drink_id}`}>
              {nearest.name}
            </Link>
            . Here: {nearest.differs}.
          </li>
        )}
        {spec.serve.garnish.length > 0 && <li>{garnishWords(original)}</li>}
      </ul>
    </article>
  );
}

/** One press lays it on the bench, with where it comes from. */
function OpenOriginal({ original, wish }: { original: Original; wish: Criteria }) {
  const { lay, isPending, error } = useOpenOriginal(wish);
  return (
    <>
      <Button look="primary" large disabled={isPending} onClick={() => lay(original)}>
        Open on the bench <ArrowRight size={20} aria-hidden />
      </Button>
      <ErrorMessage fault={error} />
    </>
  );
}

function garnishWords({ spec }: Original): string {
  return spec.serve.garnish
    .map((item) => (typeof item === 'string' ? item : [item.what, item.how, item.why].filter(Boolean).join(', ')))
    .map((words) => `Garnish: ${words}.`)
    .join(' ');
}
