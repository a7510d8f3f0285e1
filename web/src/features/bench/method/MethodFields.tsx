import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { familiesQuery, type Ingredient, rulesQuery, type Spec } from '@/api';
import { notANumber } from '@/lib';
import { DONE, ICE_IN } from '@/spec';
import { ChoiceChips, FormField, NumberField, SuggestField, TextField } from '@/ui';

interface Props {
  spec: Spec;
  larder: Ingredient[];
  onChange: (of: (spec: Spec) => Spec, what: string) => void;
}

type Method = Spec['method'];
type Serve = Spec['serve'];

const SECONDS = { shake: [3, 5, 8, 10, 12, 15, 20, 30], stir: [10, 15, 20, 25, 30, 40, 45, 60] };
const DRY = [0, 5, 8, 10, 15, 30];
const PIECES: [number | null, string][] = [
  [null, 'a full tin'],
  ...[2, 3, 4, 5].map((many): [number, string] => [many, `${many} pieces`]),
];
const STRAINS: [Method['strain'], string][] = [
  ['', 'as usual'],
  ['single', 'once'],
  ['double', 'double'],
  ['none', 'no'],
];
const SPARKLING: [Method['sparkling'], string][] = [
  ['', 'as for every drink'],
  ['top', 'on top'],
  ['first', 'in the glass first'],
  ['both', 'half and half'],
];
const COLD: [Chilled, string][] = [
  ['usual', 'as usual'],
  ['yes', 'cold'],
  ['no', 'not chilled'],
];

type Chilled = 'usual' | 'yes' | 'no';

/** How this drink is worked and served, whatever the house does with others. */
export function MethodFields({ spec, larder, onChange }: Props) {
  const { method, serve } = spec;
  const set = (change: Partial<Method>) =>
    onChange((present) => ({ ...present, method: { ...present.method, ...change } }), 'method');
  const serveSo = (change: Partial<Serve>, what: string) =>
    onChange((present) => ({ ...present, serve: { ...present.serve, ...change } }), what);
  const { data: families } = useQuery(familiesQuery());
  const forms = families?.find(({ slug }) => slug === spec.family)?.forms.map(({ name }) => name) ?? [];
  const kindOf = (slug: unknown) => larder.find((ingredient) => ingredient.slug === slug);
  const sparkles = spec.pours.some(({ ingredient }) => kindOf(ingredient)?.sparkling);
  const chilled: Chilled = serve.chilled == null ? 'usual' : serve.chilled ? 'yes' : 'no';
  return (
    <>
      <TechniqueFields method={method} set={set} />
      <Ice method={method} set={set} />
      <TextField label="Ready when" value={method.sign} hint="the tin frosts" onWrite={(sign) => set({ sign })} />
      <ChoiceChips legend="Straining" options={STRAINS} value={method.strain} onChoose={(strain) => set({ strain })} />
      {sparkles && (
        <ChoiceChips
          legend="Sparkling part"
          options={SPARKLING}
          value={method.sparkling}
          onChoose={(sparkling) => set({ sparkling })}
        />
      )}
      <Bitters spec={spec} larder={larder} onChange={onChange} />
      <ChoiceChips
        legend="Glass"
        options={COLD}
        value={chilled}
        onChoose={(cold) => serveSo({ chilled: cold === 'usual' ? null : cold === 'yes' }, 'chilled')}
      />
      <SuggestField
        label="Form"
        value={spec.form}
        hint="up"
        usual={forms}
        onWrite={(form) => onChange((present) => ({ ...present, form }), 'form')}
      />
      <TextField
        label="For the guest"
        value={serve.note}
        most={1000}
        rows={2}
        hint="It gets lighter as the ice melts"
        onWrite={(note) => serveSo({ note }, 'note')}
      />
    </>
  );
}

interface PartProps {
  method: Method;
  set: (change: Partial<Method>) => void;
}

/** Technique, seconds or a range of them, the shake without ice. */
function TechniqueFields({ method, set }: PartProps) {
  const { data: rules } = useQuery(rulesQuery());
  const timed = method.technique === 'shake' || method.technique === 'stir' ? SECONDS[method.technique] : null;
  const usual = rules?.reference_seconds[method.technique] ?? 0;
  const seconds = Array.isArray(method.seconds) ? null : (method.seconds ?? usual);
  return (
    <>
      <ChoiceChips
        legend="Technique"
        options={Object.entries(DONE) as [Method['technique'], string][]}
        value={method.technique}
        onChoose={(technique) => set({ technique, seconds: null })}
      />
      {timed && (
        <div className="flex flex-wrap items-end gap-2">
          <ChoiceChips
            legend="Seconds"
            options={timed.map((item) => [item, String(item)])}
            value={seconds}
            onChoose={(chosen) => set({ seconds: chosen })}
          />
          <TypedSeconds seconds={method.seconds ?? usual} onSeconds={(typed) => set({ seconds: typed })} />
        </div>
      )}
      {method.technique === 'shake' && (
        <ChoiceChips
          legend="Dry shake, seconds"
          options={[...new Set([...DRY, method.dry_shake_seconds])]
            .sort((a, b) => a - b)
            .map((item) => [item, item === 0 ? 'none' : String(item)])}
          value={method.dry_shake_seconds}
          onChoose={(chosen) => set({ dry_shake_seconds: chosen })}
        />
      )}
      {method.technique === 'shake' && method.dry_shake_seconds > 0 && (
        <ChoiceChips
          legend="Dry shake"
          options={[
            ['first', 'before the ice'],
            ['last', 'after the ice'],
          ]}
          value={method.dry_shake}
          onChoose={(dry_shake: Method['dry_shake']) => set({ dry_shake })}
        />
      )}
    </>
  );
}

/** Which ice, how many pieces of it and how heavy: then the heat balance gives the water. */
function Ice({ method, set }: PartProps) {
  const { data: rules } = useQuery(rulesQuery());
  const counted = method.ice_pieces ?? null;
  const options = PIECES.some(([many]) => many === counted)
    ? PIECES
    : [...PIECES, [counted, `${counted} pieces`] as [number | null, string]];
  const usual = rules?.ice_piece_g[method.ice];
  return (
    <>
      <ChoiceChips
        legend="Ice in the tin"
        options={Object.entries(ICE_IN) as [Method['ice'], string][]}
        value={method.ice}
        onChoose={(ice) => set({ ice, ice_pieces: null, ice_piece_g: null })}
      />
      {usual !== undefined && (
        <div className="flex flex-wrap items-end gap-2">
          <ChoiceChips
            legend="Amount of ice"
            options={options}
            value={counted}
            onChoose={(ice_pieces) => set({ ice_pieces })}
          />
          {counted !== null && (
            <FormField quiet label="One piece weighs, g">
              <NumberField
                className="input min-h-11 w-24 font-figure text-lg"
                value={method.ice_piece_g ?? usual}
                least={1}
                most={2000}
                unit="g"
                onFigure={(ice_piece_g) => set({ ice_piece_g })}
              />
            </FormField>
          )}
        </div>
      )}
      {counted !== null && (
        <p className="text-quiet">Dilution from counted pieces uses heat balance, for this drink.</p>
      )}
    </>
  );
}

interface SecondsProps {
  seconds: number | number[];
  onSeconds: (seconds: number | number[]) => void;
}

const RANGE = /^\s*(\d+(?:[.,]\d+)?)\s*(?:(?:-|–|to)\s*(\d+(?:[.,]\d+)?))?\s*(?:s|sec|seconds)?\s*$/i;

/** Seconds to type, or a range of them: "8–10". */
function TypedSeconds({ seconds, onSeconds }: SecondsProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const [refusal, setRefusal] = useState('');
  const text = Array.isArray(seconds) ? seconds.join('–') : String(seconds);
  const finish = () => {
    if (typed === null) return;
    const [, low, high] = RANGE.exec(typed) ?? [];
    const ends = [low, high].flatMap((end) => (end === undefined ? [] : [Number(end.replace(',', '.'))]));
    const [fewest, most = fewest] = ends;
    if (fewest === undefined || most === undefined || fewest > most || most > 3600) {
      setRefusal(`${notANumber(typed)} Enter 12, or a range like 8–10.`);
      return;
    }
    setRefusal('');
    setTyped(null);
    onSeconds(fewest === most ? fewest : [fewest, most]);
  };
  return (
    <FormField quiet label="or type a range">
      <input
        className="input min-h-11 w-24 font-figure text-lg"
        aria-invalid={refusal !== ''}
        value={typed ?? text}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={finish}
        onKeyDown={(event) => event.key === 'Enter' && finish()}
      />
      {refusal && (
        <span role="alert" className="text-base text-error">
          {refusal}
        </span>
      )}
    </FormField>
  );
}

/** Bitters in the tin, or dripped on the foam. */
function Bitters({ spec, larder, onChange }: Props) {
  const kindOf = (slug: unknown) => larder.find((ingredient) => ingredient.slug === slug)?.kind;
  const bitters = spec.pours.flatMap((pour, index) =>
    kindOf(pour.ingredient) === 'bitters' && (pour.stage === 'mixed' || pour.stage === 'floated') ? [index] : [],
  );
  if (bitters.length === 0) return null;
  const onTop = bitters.every((index) => spec.pours[index]?.stage === 'floated');
  const put = (stage: 'mixed' | 'floated') =>
    onChange(
      (present) => ({
        ...present,
        pours: present.pours.map((pour, index) => (bitters.includes(index) ? { ...pour, stage } : pour)),
      }),
      'bitters',
    );
  return (
    <ChoiceChips
      legend="Bitters"
      options={[
        ['mixed', 'in the tin'],
        ['floated', 'dripped on top'],
      ]}
      value={onTop ? 'floated' : 'mixed'}
      onChoose={put}
    />
  );
}
