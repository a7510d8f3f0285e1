import { Minus, Plus } from 'lucide-react';

import { larderQuery, lotsQuery, type Spec } from '@/api';
import { plainNumber } from '@/lib';
import { useQuery } from '@tanstack/react-query';
import { Button, Checkbox, ChoiceChips, Disclosure, NumberField } from '@/ui';
import { COLD_STORAGE, CONTAINERS, SERVICE_STYLES, type ColdStorage } from './serviceStyles';
import type { BatchRequest } from './useBatchRequest';

interface Props {
  wish: BatchRequest;
  spec: Spec;
  onChange: (part: Partial<BatchRequest>) => void;
}

/** How it is served, and how much of it: so many serves, a container, or what is left of a bottle. */
export function BatchSettings({ wish, spec, onChange }: Props) {
  const { service, serves, grid, standIn } = wish;
  const by = (count: number) => onChange({ serves: Math.max(1, (serves ?? 0) + count), useUp: null });
  return (
    <section aria-label="Batch settings" className="panel flex flex-col gap-4 p-4">
      <ServiceStyles service={service} onChange={onChange} />
      <div>
        <p className="mb-1 text-quiet">Serves</p>
        <div className="flex items-center gap-1.5">
          <button type="button" aria-label="One less" className="btn btn-square size-12" onClick={() => by(-1)}>
            <Minus size={20} aria-hidden />
          </button>
          <NumberField
            aria-label="Serves"
            className="input min-h-12 w-full text-center font-figure text-2xl font-semibold placeholder:font-sans placeholder:text-base placeholder:font-normal"
            least={0}
            most={1e6}
            value={serves}
            placeholder="as many as fit"
            onFigure={(told) => onChange({ serves: told === null ? null : Math.round(told), useUp: null })}
          />
          <button type="button" aria-label="One more" className="btn btn-square size-12" onClick={() => by(1)}>
            <Plus size={20} aria-hidden />
          </button>
        </div>
      </div>
      <ContainerChoice wish={wish} onChange={onChange} />
      <UseUp wish={wish} spec={spec} onChange={onChange} />
      <Disclosure title="Measure and storage">
        <ChoiceChips
          legend="Round to"
          legendShown={false}
          options={[
            [1, '1 ml'],
            [5, '5 ml'],
            [10, '10 ml'],
            [25, '25 ml'],
          ]}
          value={grid}
          onChoose={(told) => onChange({ grid: told })}
        />
        <div className="pt-2">
          <ChoiceChips<ColdStorage | null>
            legend="Stored in"
            options={[[null, 'usual place'], ...COLD_STORAGE]}
            value={wish.cold}
            onChoose={(cold) => onChange({ cold })}
          />
        </div>
        <Checkbox words="Acid replaces the citrus juice" on={standIn} onChange={(on) => onChange({ standIn: on })} />
      </Disclosure>
    </section>
  );
}

function ServiceStyles({ service, onChange }: Pick<BatchRequest, 'service'> & Pick<Props, 'onChange'>) {
  return (
    <div role="group" aria-label="Serving" className="flex flex-col gap-1.5">
      {SERVICE_STYLES.map(([option, name, words]) => (
        <button
          key={option}
          type="button"
          aria-pressed={option === service}
          className={`rounded-xl border px-3 py-2 text-left leading-tight ${option === service ? 'border-base-content bg-secondary' : 'border-base-300 hover:bg-secondary'}`}
          onClick={() => onChange({ service: option })}
        >
          <span className="block text-lg font-semibold">{name}</span>
          {option === service && <span className="block text-base text-quiet">{words}</span>}
        </button>
      ))}
    </div>
  );
}

function ContainerChoice({ wish: { container, serves }, onChange }: Omit<Props, 'spec'>) {
  return (
    <div>
      <p className="mb-1 text-quiet">Container</p>
      <div role="group" aria-label="Container" className="flex flex-wrap gap-1.5">
        {CONTAINERS.map((ml) => (
          <button
            key={ml}
            type="button"
            aria-pressed={ml === container}
            className={`btn min-h-11 px-2.5 text-base font-normal ${ml === container ? 'btn-primary' : 'btn-ghost border-base-300'}`}
            onClick={() => onChange({ container: ml === container ? null : ml, useUp: null })}
          >
            {ml < 1000 ? `${ml} ml` : `${plainNumber(ml / 1000, 1)} l`}
          </button>
        ))}
        <NumberField
          aria-label="Another container, in ml"
          className="input min-h-11 w-24 font-figure"
          placeholder="other ml"
          least={0}
          most={1e6}
          value={container !== null && !CONTAINERS.some((item) => item === container) ? container : null}
          onFigure={(told) => onChange({ container: told, useUp: null })}
        />
      </div>
      {container !== null && serves !== null && (
        <Button className="mt-2 font-normal" onClick={() => onChange({ serves: null })}>
          Fill the container
        </Button>
      )}
    </div>
  );
}

/** Bottles that could be used up: what is left of an open one, or a whole one. */
function UseUp({ wish, spec, onChange }: Props) {
  const lots = useQuery(lotsQuery()).data ?? [];
  const larder = useQuery(larderQuery()).data ?? [];
  const name = (slug: string) => larder.find((ingredient) => ingredient.slug === slug)?.name ?? slug;
  const poured = spec.pours.filter(({ stage, slot }) => stage === 'mixed' && slot !== 'seasoning' && slot !== 'accent');
  const slugs = poured.map(({ ingredient }) => ingredient).filter((item) => typeof item === 'string');
  const open = lots.filter(({ ingredient, left_ml }) => slugs.includes(ingredient.slug) && (left_ml ?? 0) >= 50);
  const base = poured.find(({ slot }) => slot === 'base')?.ingredient;
  const choices = [
    ...open.map((lot) => ({ slug: lot.ingredient.slug, ml: lot.left_ml ?? 0, words: `the rest: ${lot.name}` })),
    ...(typeof base === 'string' ? [700, 1400].map((ml) => ({ slug: base, ml, words: `${ml / 700} whole` })) : []),
  ];
  if (choices.length === 0) return null;
  return (
    <Disclosure title="Use up a bottle">
      <ul className="flex flex-col gap-1.5 pt-1">
        {choices.map(({ slug, ml, words }) => {
          const on = wish.useUp?.ingredient === slug && wish.useUp.ml === ml;
          return (
            <li key={`${slug} ${words}`}>
              <button
                type="button"
                aria-pressed={on}
                className={`w-full rounded-xl border px-3 py-2 text-left text-base leading-tight ${on ? 'border-base-content bg-secondary' : 'border-base-300 hover:bg-secondary'}`}
                onClick={() => onChange({ useUp: on ? null : { ingredient: slug, ml } })}
              >
                {name(slug)}{' '}
                <span className="text-quiet">
                  {words}, {plainNumber(ml, 0)} ml
                </span>
              </button>
            </li>
          );
        })}
      </ul>
    </Disclosure>
  );
}
