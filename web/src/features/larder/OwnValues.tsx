import { useState } from 'react';

import { type LarderDetail, useChangeValues, useRestoreValues } from '@/api';
import { changed, newHistory, undone } from '@/lib';
import { Button, Disclosure, ErrorMessage, FormField, NumberField, TextField } from '@/ui';
import { UndoButton } from './IngredientPanel';

type ValueDraft = Partial<Record<'abv' | 'sugar' | 'acid' | 'density' | 'keeps_days', number | null>>;
type HouseValues = LarderDetail['house_values'];

const FIGURES: [keyof ValueDraft, string, number][] = [
  ['abv', 'Strength, % ABV', 100],
  ['sugar', 'Sugar, g/100 ml', 150],
  ['acid', 'Acid, g/100 ml', 60],
  ['density', 'Density, g/ml', 2.2],
  ['keeps_days', 'Keeps, days', 10000],
];

/** What the house knows better: laid over the values, and taken back step by step. */
export function OwnValues({ detail }: { detail: LarderDetail }) {
  const { slug } = detail.line;
  const params = { path: { slug } };
  const [told, setTold] = useState<ValueDraft>({});
  const [source, setSource] = useState('');
  const [history, setHistory] = useState(() => newHistory(detail.house_values));
  const put = useChangeValues();
  const back = useRestoreValues();
  const given = Object.entries(told).filter(([, value]) => value !== null);
  const restore = (values: HouseValues) => back.mutate({ params, body: { values } });
  return (
    <div className="flex flex-col gap-2">
      <Disclosure title="Correct the values" count={detail.house_values.length}>
        <form
          className="grid gap-2 pt-1 sm:grid-cols-3"
          onSubmit={(event) => {
            event.preventDefault();
            put.mutate(
              { params, body: { ...Object.fromEntries(given), source: source.trim() || 'corrected here' } },
              {
                onSuccess: ({ house_values }) => {
                  setHistory(changed(history, house_values));
                  setTold({});
                },
              },
            );
          }}
        >
          {FIGURES.map(([name, words, most]) => (
            <FormField key={name} quiet label={words}>
              <NumberField
                value={told[name] ?? null}
                most={most}
                onFigure={(value) => setTold({ ...told, [name]: value })}
              />
            </FormField>
          ))}
          <TextField label="Source" hint="label, reading" value={source} onWrite={setSource} />
          <div className="flex flex-wrap items-center gap-2 sm:col-span-3">
            <Button type="submit" look="primary" disabled={given.length === 0 || put.isPending}>
              Save
            </Button>
            {detail.house_values.length > 0 && (
              <Button
                className="font-normal"
                onClick={() => {
                  setHistory(changed(history, []));
                  restore([]);
                }}
              >
                Reset all values
              </Button>
            )}
            {history.past.length > 0 && (
              <UndoButton
                onUndo={() => {
                  setHistory(undone(history));
                  restore(undone(history).present);
                }}
              />
            )}
          </div>
          <ErrorMessage fault={put.error ?? back.error} className="text-error sm:col-span-3" />
        </form>
      </Disclosure>
    </div>
  );
}
