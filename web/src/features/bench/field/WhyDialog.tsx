import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';

import { type Comparison, type Figure, type Spec, whyQuery } from '@/api';
import { axisUnit, levelText, plainNumber, withUnit } from '@/lib';
import { useSettings } from '@/hooks';
import { AxisMark, Dialog, ErrorMessage } from '@/ui';
import { PourLine, Used } from './WhyLines';
import { COLOURS, DECIMALS, TITLES } from './axisStyle';

interface Props {
  figure: Figure;
  spec: Spec;
  comparison: Comparison;
  parentName: string | undefined;
  onClose: () => void;
}

/** Why a figure is what it is: what each pour gives, from which value and source; how sure it is; which change did what. */
export function WhyDialog({ figure, spec, comparison, parentName, onClose }: Props) {
  const { supposed } = useSettings();
  const { data: tree, error } = useQuery(whyQuery(spec, figure, supposed));
  const { present } = comparison;
  return (
    <Dialog
      wide
      onClose={onClose}
      heading={
        <>
          <span className={`flex items-center gap-2 ${COLOURS[figure]}`}>
            <AxisMark axis={figure} size={18} /> {TITLES[figure]}
          </span>
          <span>{withUnit(levelText(present.served[figure], figure), axisUnit(figure))}</span>
        </>
      }
    >
      <p className="-mt-2 text-quiet">
        {secondReading(figure, present.served)} {figure === 'sugar' && present.edge?.words}
      </p>
      <ErrorMessage fault={error} className="text-error" />
      {tree ? (
        <>
          <section aria-label="What each ingredient adds">
            <ul className="flex flex-col gap-1">
              {tree.parts.map((pour, index) => (
                <PourLine key={index} pour={pour} whole={tree.value} figure={figure} />
              ))}
            </ul>
            {tree.uses.map((used) => (
              <Used key={used.name} used={used} />
            ))}
          </section>
          <Certainty figure={figure} present={present} />
          {parentName && <ChangeSelect figure={figure} comparison={comparison} parentName={parentName} />}
        </>
      ) : (
        <p className="text-quiet">Looking it up…</p>
      )}
    </Dialog>
  );
}

/** What another way of counting says of the same axis. */
function secondReading(figure: Figure, served: Comparison['present']['served']): string {
  if (figure === 'sugar') {
    return `By kind of sugar: as sweet as ${levelText(served.sucrose_equivalents, 'sugar')} g/100 ml of table sugar. Body: ${served.body_word}.`;
  }
  if (figure === 'acid') return `Titrated, as citric acid: ${levelText(served.titratable_acid, 'acid')} g/100 ml.`;
  const { us, uk, au } = served.standard_drinks;
  return `${plainNumber(served.alcohol_g, 1)} g alcohol. Standard drinks: US ${plainNumber(us, 1)}, UK ${plainNumber(uk, 1)}, AU ${plainNumber(au, 1)}.`;
}

function signed(value: number, figure: Figure): string {
  const text = Math.abs(value).toFixed(DECIMALS[figure]);
  return Number(text) === 0 ? text : `${value > 0 ? '+' : '−'}${text}`;
}

function Certainty({ figure, present }: { figure: Figure; present: Comparison['present'] }) {
  const [low = 0, high = 0] = present.interval80[figure];
  return (
    <section aria-label="Certainty">
      <h3 className="font-display text-lg font-semibold">Certainty</h3>
      <p>
        {levelText(present.served[figure], figure)} ±{withUnit(levelText((high - low) / 2, figure), axisUnit(figure))}:
        8 times in 10 it is between {levelText(low, figure)} and {levelText(high, figure)}. {present.doubt[figure].told}
      </p>
      <ul className="mt-1 flex flex-wrap gap-x-4 text-quiet">
        {present.doubt[figure].drivers.map(({ cause, subject, share }) => (
          <li key={subject}>
            {cause === 'ingredient' ? (
              <Link
                className="underline decoration-dotted underline-offset-4"
                title="Log today’s and measure it"
                to={`/ingredients/open?note=${encodeURIComponent(subject)}`}
              >
                {subject}
              </Link>
            ) : (
              subject
            )}{' '}
            {(100 * share).toFixed(0)}%
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What each change did to the figure, where it shows. */
function ChangeSelect({
  figure,
  comparison,
  parentName,
}: {
  figure: Figure;
  comparison: Comparison;
  parentName: string;
}) {
  const changes = comparison.changes.filter(({ by }) => Math.abs(by[figure] ?? 0) >= 0.5 * 10 ** -DECIMALS[figure]);
  const axis = comparison.axes.find((ax) => ax.axis === figure);
  if (!axis || changes.length === 0) return null;
  return (
    <section aria-label="What each change does">
      <h3 className="font-display text-lg font-semibold">
        Compared with {parentName}: {signed(axis.difference.by, figure)}
        {axis.certainty && `, ${axis.certainty}`}
      </h3>
      {axis.sentence && <p>{axis.sentence}</p>}
      {axis.made_by && <p>{axis.made_by}</p>}
      <ul>
        {changes.map(({ words, by }) => (
          <li key={words} className="flex gap-3">
            <span className="w-16 shrink-0 text-right font-figure">{signed(by[figure] ?? 0, figure)}</span> {words}
          </li>
        ))}
      </ul>
    </section>
  );
}
